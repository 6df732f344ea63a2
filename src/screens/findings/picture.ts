/** Where on a picture, as parts of its width and height from its upper left corner. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

/** No picture is kept longer than so many pixels: what a mechanic has to see of it is there, and a full phone keeps a hundred. */
const MOST_PIXELS = 1600;
const QUALITY = 0.85;
/** The arrow's length and width, as parts of the picture's longer side. */
const ARROW = 0.16;
const LINE = 0.012;

/**
 * From which side an arrow comes: towards the nearer corner there would be no room for it.
 * @returns the direction in which it points, each part 1 or -1
 */
export const arrowFrom = ({ x, y }: Spot): Spot => ({ x: x < 0.5 ? -1 : 1, y: y < 0.5 ? -1 : 1 });

/** The size in which a picture is kept. */
export function keptSize(width: number, height: number): { readonly width: number; readonly height: number } {
  const scale = Math.min(1, MOST_PIXELS / Math.max(width, height));
  return { width: Math.max(1, Math.round(width * scale)), height: Math.max(1, Math.round(height * scale)) };
}

function drawArrow(pen: CanvasRenderingContext2D, spot: Spot, width: number, height: number): void {
  const side = Math.max(width, height);
  const [x, y] = [spot.x * width, spot.y * height];
  const to = arrowFrom(spot);
  const length = side * ARROW;
  const line = (from: Spot, until: Spot) => {
    pen.moveTo(from.x, from.y);
    pen.lineTo(until.x, until.y);
  };
  // Dark on light, so that it is seen on paint of any colour.
  for (const [colour, thick] of [
    ['#ffffff', LINE * 2],
    ['#8a1010', LINE],
  ] as const) {
    pen.beginPath();
    pen.strokeStyle = colour;
    pen.lineWidth = side * thick;
    pen.lineCap = 'round';
    line({ x: x - to.x * length, y: y - to.y * length }, { x, y });
    line({ x: x - to.x * length * 0.4, y }, { x, y });
    line({ x, y: y - to.y * length * 0.4 }, { x, y });
    pen.stroke();
  }
}

/**
 * A picture as it is kept: turned upright, no larger than is needed, without what the camera wrote beside it, and with an arrow where
 * somebody tapped.
 * @param spot where the arrow points; null draws none
 * @returns null for what is no picture, or cannot be read
 */
export async function drawnPicture(photo: Blob, spot: Spot | null): Promise<Blob | null> {
  const bitmap = await createImageBitmap(photo).catch(() => null);
  if (bitmap === null) return null;
  const { width, height } = keptSize(bitmap.width, bitmap.height);
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const pen = canvas.getContext('2d');
  if (pen === null) return null;
  pen.drawImage(bitmap, 0, 0, width, height);
  bitmap.close();
  if (spot !== null) drawArrow(pen, spot, width, height);
  return new Promise((resolve) => {
    canvas.toBlob(resolve, 'image/jpeg', QUALITY);
  });
}
