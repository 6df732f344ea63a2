import { PDFDocument, rgb, StandardFonts, type PDFFont, type PDFPage } from 'pdf-lib';
import QRCode from 'qrcode';
import type { ReleaseCard } from '@/core/decision/flight-release';
import { POINTS_A_MM, wrapped, writable } from './labels';

const INK = rgb(0, 0, 0);
const RED = rgb(0.6, 0.05, 0.05);
/** A sheet of A4, in points. */
const [WIDTH, HEIGHT] = [210 * POINTS_A_MM, 297 * POINTS_A_MM];
const MARGIN = 16 * POINTS_A_MM;
const CODE = 34 * POINTS_A_MM;
const LINE = 1.3;
/** Smaller than this nobody reads it in a cockpit, in points. */
const SMALLEST = 6.5;
const LARGEST = 12;

type Block = readonly [title: string, lines: readonly string[]];

/** What stands on it, in the order in which somebody asks for it. */
const blocksOf = (card: ReleaseCard): readonly Block[] => [
  ['Uses', [card.window]],
  [
    'Restrictions, read back',
    card.restrictions.length === 0
      ? ['None.']
      : card.restrictions.map(({ words, meaning }) => `${words} ${meaning}`.trim()),
  ],
  ['First limits', card.limits.length === 0 ? ['None ahead.'] : card.limits],
  ['Walk-round', [card.walkRound]],
  ['Fuel, oil and what was measured', card.measured.length === 0 ? ['Nothing was measured.'] : card.measured],
  ['Compare on the aircraft', card.compare.length === 0 ? ['No mark is known.'] : card.compare],
  ['Documents', card.documents],
  ['Not checked', card.notChecked],
];

function height(
  blocks: readonly Block[],
  size: number,
  fonts: { readonly plain: PDFFont },
  room: number,
): number {
  return blocks.reduce(
    (sum, [, lines]) =>
      sum
      + size * LINE * 1.9
      + lines.flatMap((line) => wrapped(writable(line, fonts.plain), fonts.plain, size, room)).length
        * size
        * LINE,
    0,
  );
}

/** Writes lines from the top down. */
class Column {
  constructor(
    private readonly page: PDFPage,
    private y: number,
    private readonly room: number,
  ) {}

  write(text: string, font: PDFFont, size: number, { color = INK, gap = 0 } = {}): void {
    this.y -= gap;
    for (const line of wrapped(writable(text, font), font, size, this.room)) {
      this.y -= size * LINE;
      this.page.drawText(line, { x: MARGIN, y: this.y, size, font, color });
    }
  }
}

/**
 * A release on one page, with a code that opens it and says whether it still holds. Where there is much to say it is set smaller, and what
 * does not fit the page even so is left to the code, and said to be.
 * @param address what the code opens
 */
export async function releaseCardPdf(
  { card, over }: { readonly card: ReleaseCard; readonly over: string | null },
  address: string,
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(`Release ${card.registration}`);
  const bold = await pdf.embedFont(StandardFonts.HelveticaBold);
  const plain = await pdf.embedFont(StandardFonts.Helvetica);
  const page = pdf.addPage([WIDTH, HEIGHT]);
  const room = WIDTH - 2 * MARGIN;
  const code = await QRCode.toBuffer(address, {
    type: 'png',
    errorCorrectionLevel: 'M',
    margin: 2,
    scale: 5,
  });
  page.drawImage(await pdf.embedPng(code), {
    x: WIDTH - MARGIN - CODE,
    y: HEIGHT - MARGIN - CODE,
    width: CODE,
    height: CODE,
  });
  const head = new Column(page, HEIGHT - MARGIN, room - CODE - 12);
  head.write(`${card.verdict} ${card.registration}`, bold, 22);
  head.write(`${card.typeName} · ${card.field}`, plain, 10);
  head.write(`${card.flight.person}, ${card.flight.purpose}, ${card.flight.when}`, plain, 10, { gap: 4 });
  head.write(`Signed by ${card.signed.by} ${card.signed.at}.`, plain, 10);
  head.write(
    over === null ? `Holds until ${card.until}, unless something new comes up.` : over,
    bold,
    10,
    over === null ? {} : { color: RED },
  );
  const blocks = blocksOf(card).filter(([, lines]) => lines.length > 0);
  const top = HEIGHT - MARGIN - CODE - 10;
  const foot = MARGIN + 34;
  let size = LARGEST;
  while (size > SMALLEST && height(blocks, size, { plain }, room) > top - foot) size -= 0.5;
  const body = new Column(page, top, room);
  const shown: Block[] = [];
  for (const block of blocks)
    if (height([...shown, block], size, { plain }, room) <= top - foot) shown.push(block);
  for (const [title, lines] of shown) {
    body.write(title, bold, size, { gap: size * LINE * 0.9 });
    for (const line of lines) body.write(line, plain, size);
  }
  const last = new Column(page, MARGIN + 30, room);
  if (shown.length < blocks.length)
    last.write(
      `Not all of it fits this page: ${blocks
        .filter((block) => !shown.includes(block))
        .map(([title]) => title)
        .join('; ')} stand behind the code.`,
      bold,
      8.5,
      { color: RED },
    );
  last.write(
    'Scan the code to see whether it still holds. The pilot in command decides; licensed mechanics, the aircraft’s documents and local law come first.',
    plain,
    8.5,
  );
  return pdf.save();
}
