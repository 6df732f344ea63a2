import { describe, expect, it } from 'vitest';
import { LABEL_SHEET_IDS, LABEL_SHEETS } from '@/contracts/aircraft/label-sheets';
import { codesOf, textsOf } from '@/testing/pdf';
import { keyTags, type KeyTag } from './key-tags';

const tag = (registration: string, typeName = 'Quorin 160'): KeyTag => ({
  registration,
  typeName,
  address: `https://club.example/ramp/${registration}`,
});

describe('key tags', () => {
  it('say which aircraft they are of, and their codes open it', async () => {
    const pdf = await keyTags([tag('N01TB'), tag('N02TB', 'Selmo X')], LABEL_SHEETS['a4-24']);
    const [page, ...more] = await textsOf(pdf);
    expect(more).toEqual([]);
    expect(page?.items.map(({ text }) => text)).toEqual([
      'N01TB',
      'Quorin 160',
      'Scan before you walk round',
      'N02TB',
      'Selmo X',
      'Scan before you walk round',
    ]);
    expect(await codesOf(pdf)).toEqual([
      'https://club.example/ramp/N01TB',
      'https://club.example/ramp/N02TB',
    ]);
  });
  it.each(LABEL_SHEET_IDS)('%s: every label lies on its sheet, and a full one begins another', async (id) => {
    const sheet = LABEL_SHEETS[id];
    const count = sheet.columns * sheet.rows + 1;
    const pages = await textsOf(
      await keyTags(
        Array.from({ length: count }, (_, at) => tag(`N${String(at).padStart(3, '0')}TB`)),
        sheet,
      ),
    );
    expect(pages).toHaveLength(2);
    for (const { width, height, items } of pages)
      for (const item of items) {
        expect(item.x).toBeGreaterThan(0);
        expect(item.x + item.width).toBeLessThanOrEqual(width);
        expect(item.y).toBeGreaterThan(0);
        expect(item.y).toBeLessThan(height);
      }
  });
  it('a name too long for its label is made smaller, and a letter that no standard font has is marked', async () => {
    const long = 'Quorin 160 with a very long name that nobody would ever print Ω';
    const [page] = await textsOf(await keyTags([tag('N01TB', long)], LABEL_SHEETS.single));
    const name = page?.items.find(({ text }) => text.startsWith('Quorin'));
    expect(name?.text.endsWith('?')).toBe(true);
    expect((name?.x ?? 0) + (name?.width ?? 0)).toBeLessThanOrEqual(page?.width ?? 0);
  });
  it('labels of a sheet do not lie on one another', () => {
    for (const id of LABEL_SHEET_IDS) {
      const { page, label, columns, rows, margin, step } = LABEL_SHEETS[id];
      expect(step[0]).toBeGreaterThanOrEqual(label[0]);
      expect(step[1]).toBeGreaterThanOrEqual(label[1]);
      expect(margin[0] + (columns - 1) * step[0] + label[0]).toBeLessThanOrEqual(page[0] + 1e-9);
      expect(margin[1] + (rows - 1) * step[1] + label[1]).toBeLessThanOrEqual(page[1] + 1e-9);
    }
  });
});
