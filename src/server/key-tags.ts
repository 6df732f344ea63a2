import { PDFDocument, rgb, StandardFonts, type PDFFont, type PDFPage } from 'pdf-lib';
import QRCode from 'qrcode';
import type { LabelSheet } from '@/contracts/aircraft/label-sheets';
import { fitted, POINTS_A_MM, QUIET_MM, writable } from './labels';

/** What a key tag says: the aircraft, and the address that its code opens. */
export interface KeyTag {
  readonly registration: string;
  readonly typeName: string;
  readonly address: string;
}

const INK = rgb(0, 0, 0);
/** Pixels a module of the code: enough for a printer, little in the file. */
const PIXELS = 6;

interface Fonts {
  readonly bold: PDFFont;
  readonly plain: PDFFont;
}

async function drawTag(
  pdf: PDFDocument,
  page: PDFPage,
  fonts: Fonts,
  { registration, typeName, address }: KeyTag,
  box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number },
): Promise<void> {
  const quiet = QUIET_MM * POINTS_A_MM;
  const side = Math.min(box.height - 2 * quiet, box.width * 0.5);
  const code = await QRCode.toBuffer(address, {
    type: 'png',
    errorCorrectionLevel: 'M',
    margin: 2,
    scale: PIXELS,
  });
  page.drawImage(await pdf.embedPng(code), {
    x: box.x + quiet,
    y: box.y + (box.height - side) / 2,
    width: side,
    height: side,
  });
  const left = box.x + quiet + side + quiet;
  const room = box.x + box.width - quiet - left;
  const middle = box.y + box.height / 2;
  const name = writable(registration, fonts.bold);
  page.drawText(name, {
    x: left,
    y: middle + 3,
    size: fitted(fonts.bold, name, 20, room),
    font: fonts.bold,
    color: INK,
  });
  for (const [line, text] of [writable(typeName, fonts.plain), 'Scan before you walk round'].entries())
    page.drawText(text, {
      x: left,
      y: middle - 9 - line * 11,
      size: fitted(fonts.plain, text, 9, room),
      font: fonts.plain,
      color: INK,
    });
}

/**
 * Key tags as a PDF: one label an aircraft, in the order given, on as many sheets as they need. The code
 * opens the aircraft on the phone; what is printed beside it says which one it is where no phone is at hand.
 */
export async function keyTags(tags: readonly KeyTag[], sheet: LabelSheet): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle('Key tags');
  const fonts: Fonts = {
    bold: await pdf.embedFont(StandardFonts.HelveticaBold),
    plain: await pdf.embedFont(StandardFonts.Helvetica),
  };
  const [pageWidth, pageHeight] = sheet.page.map((mm) => mm * POINTS_A_MM) as [number, number];
  const [width, height] = sheet.label.map((mm) => mm * POINTS_A_MM) as [number, number];
  const onOne = sheet.columns * sheet.rows;
  let page = pdf.addPage([pageWidth, pageHeight]);
  for (const [at, tag] of tags.entries()) {
    if (at > 0 && at % onOne === 0) page = pdf.addPage([pageWidth, pageHeight]);
    const place = at % onOne;
    const column = place % sheet.columns;
    const row = Math.floor(place / sheet.columns);
    const x = (sheet.margin[0] + column * sheet.step[0]) * POINTS_A_MM;
    const y = pageHeight - (sheet.margin[1] + row * sheet.step[1]) * POINTS_A_MM - height;
    await drawTag(pdf, page, fonts, tag, { x, y, width, height });
  }
  return pdf.save();
}
