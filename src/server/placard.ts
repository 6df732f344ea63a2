import { PDFDocument, rgb, StandardFonts } from 'pdf-lib';
import { LABEL_SHEETS } from '@/contracts/aircraft/label-sheets';
import { fitted, POINTS_A_MM, QUIET_MM, wrapped, writable } from './labels';

const INK = rgb(0, 0, 0);
/** What cannot be read at arm's length is no placard, in points. */
const SMALLEST = 6;
const LARGEST = 9;
const HEADING = 17;
const LINE = 1.2;

/**
 * A placard of one label. The first line is its heading.
 * @returns null where the words are too long to be read on it
 */
export async function placard(
  registration: string,
  [heading = '', ...lines]: readonly string[],
): Promise<Uint8Array | null> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(`Placard ${registration}`);
  const bold = await pdf.embedFont(StandardFonts.HelveticaBold);
  const plain = await pdf.embedFont(StandardFonts.Helvetica);
  const [width, height] = LABEL_SHEETS.single.page.map((mm) => mm * POINTS_A_MM) as [number, number];
  const quiet = QUIET_MM * POINTS_A_MM;
  const room = width - 2 * quiet;
  const head = writable(heading, bold);
  const headSize = fitted(bold, head, HEADING, room);
  const texts = [...lines, registration].map((text) => writable(text, plain));
  const below = height - 2 * quiet - headSize;
  const sizeOf = (size: number) => texts.flatMap((text) => wrapped(text, plain, size, room));
  let size = LARGEST;
  const fits = () =>
    sizeOf(size).length * size * LINE <= below
    && sizeOf(size).every((text) => plain.widthOfTextAtSize(text, size) <= room);
  while (size >= SMALLEST && !fits()) size -= 0.5;
  if (size < SMALLEST) return null;
  const page = pdf.addPage([width, height]);
  page.drawText(head, {
    x: quiet,
    y: height - quiet - headSize * 0.8,
    size: headSize,
    font: bold,
    color: INK,
  });
  for (const [at, text] of sizeOf(size).entries())
    page.drawText(text, {
      x: quiet,
      y: height - quiet - headSize - (at + 1) * size * LINE + size * 0.2,
      size,
      font: plain,
      color: INK,
    });
  return pdf.save();
}
