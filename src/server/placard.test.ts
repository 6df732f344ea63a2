import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { describe, expect, it } from 'vitest';
import { placard } from './placard';

/** What stands on it, by another library than the one that wrote it. */
async function linesOf(pdf: Uint8Array) {
  const read = await getDocument({ data: pdf.slice(), verbosity: 0 }).promise;
  const page = await read.getPage(1);
  const { items } = await page.getTextContent();
  const [, , width = 0] = page.view;
  return items.flatMap((item) =>
    'str' in item && item.str.trim() !== ''
      ? [
          {
            text: item.str,
            right: Number(item.transform[4]) + item.width,
            y: Number(item.transform[5]),
            width,
          },
        ]
      : [],
  );
}

describe('a placard', () => {
  it('says INOPERATIVE first, then what, what stays closed, and of which aircraft', async () => {
    const made = await placard('N02TB', [
      'INOPERATIVE',
      'Landing light is out (left wing)',
      'Not available by night for hire.',
      'deactivated 24 Nov 2026',
    ]);
    const lines = await linesOf(made ?? new Uint8Array());
    expect(lines[0]?.text).toBe('INOPERATIVE');
    const rest = lines.slice(1).map(({ text }) => text);
    expect(rest.join(' ')).toBe(
      'Landing light is out (left wing) Not available by night for hire. deactivated 24 Nov 2026 N02TB',
    );
    for (const { right, width, y } of lines) {
      expect(right).toBeLessThanOrEqual(width);
      expect(y).toBeGreaterThan(0);
    }
  });
  it('of many words is written smaller, and one that could not be read is not made', async () => {
    const words = (count: number) => Array.from({ length: count }, () => 'word').join(' ');
    expect(await placard('N02TB', ['INOPERATIVE', words(40)])).not.toBeNull();
    expect(await placard('N02TB', ['INOPERATIVE', words(400)])).toBeNull();
    expect(await placard('N02TB', ['INOPERATIVE', 'x'.repeat(200)])).toBeNull();
  });
});
