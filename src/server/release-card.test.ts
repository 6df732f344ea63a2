import { describe, expect, it } from 'vitest';
import type { ReleaseCard } from '@/core/decision/flight-release';
import { codesOf, textsOf } from '@/testing/pdf';
import { releaseCardPdf } from './release-card';

const ADDRESS = `https://club.example/card/${'0'.repeat(36)}.${'1'.repeat(36)}.${'a'.repeat(64)}`;
const card: ReleaseCard = {
  registration: 'N07TB',
  typeName: 'Oristo H',
  field: 'Tern Bay',
  verdict: 'Restricted',
  window: 'open: day VFR',
  flight: { person: 'R. Dane', purpose: 'rental', when: '24 Nov 2026 09:10 to 10:40' },
  signed: { by: 'Mira Holt', at: '24 Nov 2026 09:00' },
  until: '25 Nov 2026 00:00',
  restrictions: [
    { key: 'a', words: 'Navigation lights: deferred.', meaning: 'Night flight is not available.' },
    { key: 'b', words: 'Nobody in the rear seats.', meaning: '' },
  ],
  walkRound: 'Walk-round signed by Rolf Dane 24 Nov 2026 08:50.',
  measured: ['Fuel left 14 US gal, right 12 US gal, measured at the desk'],
  documents: ['Airworthiness certificate, seen 20 Nov 2026 08:00'],
  compare: ['Nick in blade 2, 3 mm'],
  limits: ['58.4 h to 100-hour'],
  notChecked: ['loading'],
};
const read = async (change: Partial<ReleaseCard> = {}, over: string | null = null) => {
  const pdf = await releaseCardPdf({ card: { ...card, ...change }, over }, ADDRESS);
  return { pdf, pages: await textsOf(pdf) };
};
const words = (pages: Awaited<ReturnType<typeof read>>['pages']) =>
  pages.flatMap(({ items }) => items.map(({ text }) => text)).join(' ');

describe('the card of a release', () => {
  it('has all that was signed on one page, and a code that opens it', async () => {
    const { pdf, pages } = await read();
    expect(pages).toHaveLength(1);
    for (const part of [
      'Restricted N07TB',
      'R. Dane, rental, 24 Nov 2026 09:10 to 10:40',
      'Signed by Mira Holt 24 Nov 2026 09:00.',
      'Holds until 25 Nov 2026 00:00',
      'Navigation lights: deferred. Night flight is not available.',
      'Nobody in the rear seats.',
      'Walk-round signed by Rolf Dane',
      'Fuel left 14 US gal',
      'Airworthiness certificate, seen',
      'Nick in blade 2, 3 mm',
      '58.4 h to 100-hour',
      'loading',
    ])
      expect(words(pages)).toContain(part);
    expect(await codesOf(pdf)).toEqual([ADDRESS]);
  });

  it('says that it is void in place of until when it holds', async () => {
    const { pages } = await read({}, 'It is void since 24 Nov 2026 09:05: New nick (Propeller).');
    expect(words(pages)).toContain('It is void since');
    expect(words(pages)).not.toContain('Holds until');
  });

  it('stays on its page whatever is on it, and says what did not fit', async () => {
    const long = Array.from({ length: 20 }, (_, at) => ({
      key: String(at),
      words: `Restriction ${at}: ${'closed for a reason that takes a while to say '.repeat(3)}`,
      meaning: '',
    }));
    const { pages } = await read({ restrictions: long });
    expect(pages).toHaveLength(1);
    expect(words(pages)).toContain('Restriction 19');
    const documents = Array.from({ length: 200 }, (_, at) => `Document ${at}, seen today`);
    const full = (await read({ documents })).pages;
    expect(full).toHaveLength(1);
    expect(words(full)).toContain('Not all of it fits this page: Documents stand behind the code.');
    for (const { width, height, items } of [...pages, ...full])
      for (const item of items) {
        expect(item.x + item.width).toBeLessThanOrEqual(width);
        expect(item.y).toBeGreaterThan(0);
        expect(item.y).toBeLessThan(height);
      }
  });
});
