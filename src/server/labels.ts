import type { PDFFont } from 'pdf-lib';

export const POINTS_A_MM = 72 / 25.4;
/** Around what is printed nothing is, in millimetres: printers shift. */
export const QUIET_MM = 2.5;

/** A text as far as the fonts that every reader of PDF has can write it; what they cannot becomes a question mark. */
export function writable(text: string, font: PDFFont): string {
  const known = new Set(font.getCharacterSet());
  return [...text].map((sign) => (known.has(sign.codePointAt(0) ?? 0) ? sign : '?')).join('');
}

/** The largest size up to a wanted one at which a text fits a width, in points. */
export const fitted = (font: PDFFont, text: string, wanted: number, width: number): number =>
  Math.min(wanted, (wanted * width) / Math.max(font.widthOfTextAtSize(text, wanted), 1));

/** A text in lines that fit a width; a word that is longer than a line stands alone. */
export function wrapped(text: string, font: PDFFont, size: number, width: number): readonly string[] {
  const lines: string[] = [];
  for (const word of text.split(/\s+/u)) {
    const last = lines.at(-1);
    const longer = last === undefined ? word : `${last} ${word}`;
    if (last !== undefined && font.widthOfTextAtSize(longer, size) <= width) lines[lines.length - 1] = longer;
    else lines.push(word);
  }
  return lines;
}
