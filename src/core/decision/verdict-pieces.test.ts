import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cleanCase } from '@/testing/clean-case';
import { RICH } from '@/testing/rich-case';
import { addSeconds, instantText, type Instant } from '../time/instant';
import { decide } from './decide';
import { availabilityOf, eachVerdict } from './verdict-pieces';

const DAY = 86_400;
const found = (recordedAt: string, change: object = {}) => ({
  happenedAt: '2026-11-01T10:00:00Z',
  recordedAt,
  what: 'Crack in the spinner',
  classification: 'ground-until-mechanic',
  ...change,
});
const repaired = (completedOn: string, recordedAt: string) => ({
  recordedAt,
  work: 'repaired',
  description: 'Replaced',
  completedOn,
  signedBy: {
    name: 'T. Brandl',
    certificate: {
      kind: 'mechanic-airframe-powerplant',
      number: 'AP-1',
      validFrom: '2010-01-01',
      validUntil: 'no-expiry',
    },
  },
});

describe('the verdicts of a stretch of time', () => {
  it.each([
    ['the clean case', {}],
    ['the rich case', RICH],
    [
      'a finding that was entered late and repaired',
      {
        discrepancies: {
          d: found('2026-11-10T12:00:00Z', { rectification: repaired('2026-11-14', '2026-11-14T18:00:00Z') }),
        },
      },
    ],
  ])('are at every moment what a decision at that moment says: %s', (_, change) => {
    const { facts, packs, asOf } = cleanCase(change);
    const from = addSeconds(asOf, -40 * DAY);
    const pieces = [...eachVerdict(facts, packs, from, asOf)];
    expect(pieces[0]?.from).toBe(from);
    expect(pieces.at(-1)?.to).toBe(asOf);
    for (const [at, piece] of pieces.entries()) {
      expect(piece.to).toBeGreaterThan(piece.from);
      if (at > 0) expect(piece.from).toBe(pieces[at - 1]?.to);
    }
    const edges = pieces.flatMap((piece) => [piece.from, (piece.to - 1) as Instant]);
    const saysTheSame = (at: Instant) => {
      const piece = pieces.find((one) => one.from <= at && at < one.to);
      expect([instantText(at), piece?.verdict]).toEqual([
        instantText(at),
        decide(facts, packs, null, at).verdict,
      ]);
    };
    for (const at of edges) saysTheSame(at);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 40 * DAY * 1000 - 1 }), (after) => {
        saysTheSame((from + after) as Instant);
      }),
      { numRuns: 60 },
    );
  });

  it('add up to the whole, with the rule that kept it on the ground', () => {
    const { facts, packs, asOf } = cleanCase({
      discrepancies: {
        d: found('2026-11-23T12:00:00Z', { rectification: repaired('2026-11-23', '2026-11-24T00:00:00Z') }),
      },
    });
    const from = addSeconds(asOf, -3 * DAY);
    const { seconds, causes } = availabilityOf(eachVerdict(facts, packs, from, asOf));
    expect(seconds.Released + seconds.Restricted + seconds.Grounded).toBe(3 * DAY);
    // From the entry of the finding to the entry of its repair.
    expect(causes.get('open-discrepancies')).toBe(12 * 3600);
  });
});
