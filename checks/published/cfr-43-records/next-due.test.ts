import { describe, expect, it } from 'vitest';
import { decide } from '@/core/decision/decide';
import { hours } from '@/core/quantities/hours';
import { knownAt } from '@/core/records/facts';
import { entryOf, withEntry, type EntryDraft } from '@/core/records/maintenance/new-entry';
import { authorityOf } from '@/core/rules/register';
import { civilDate } from '@/core/time/civil-date';
import { instantFromMilliseconds } from '@/core/time/instant';
import { tellDue } from '@/explain/due';
import { cleanCase } from '@/testing/clean-case';
import { source } from './source';

const inspector = {
  name: 'Ida Quell',
  certificate: {
    kind: 'inspection-authorisation' as const,
    number: 'IA-1',
    validFrom: civilDate('2000-01-01'),
    validUntil: 'no-expiry' as const,
  },
};

/** What a rule says is due next after an inspection was entered, as the form shows it before anybody signs. */
function nextAfter(
  draft: Omit<Extract<EntryDraft, { of: 'inspection' }>, 'of' | 'outcome' | 'testedToFeet'>,
  rule: string,
  service: number,
  asOf: string,
): readonly string[] {
  const now = instantFromMilliseconds(Date.parse(asOf));
  const { facts, packs } = cleanCase({
    asOf,
    inspections: { 'annual-2026': null, 'hundred-2026-10': null },
    meterReadings: { today: { happenedAt: asOf, recordedAt: asOf, value: service } },
  });
  const made = entryOf(
    { of: 'inspection', outcome: 'approved', testedToFeet: null, ...draft },
    'new',
    inspector,
    now,
  );
  const after = withEntry(facts, made);
  const decision = decide(after, packs, null, now);
  const known = knownAt(after, now, authorityOf(packs));
  return [...decision.limits.map(({ constraint }) => constraint), ...decision.constraints]
    .filter(({ id }) => id.startsWith(rule))
    .flatMap((constraint) => {
      const words = tellDue(constraint, known);
      return words === null ? [] : [words.next];
    });
}

describe(`${source.section}: what is due after the entry, by hand`, () => {
  it.each([
    // The last day of the twelfth month after: 14 March 2024 and 29 February 2024 by 14 CFR 91.409(a).
    ['2024-03-14', '31 Mar 2025'],
    ['2024-02-29', '28 Feb 2025'],
    ['2024-03-01', '31 Mar 2025'],
    ['2024-12-31', '31 Dec 2025'],
  ])('an annual completed on %s is due by %s', (completedOn, due) => {
    expect(
      nextAfter(
        { kind: 'annual', completedOn: civilDate(completedOn), timeInService: hours('1000'), excess: null },
        'annual',
        1000,
        `${completedOn}T23:00:00Z`,
      ),
    ).toEqual([due]);
  });
  it.each([
    // Due at 1100.0 after 1000.0. Flown past on the way: 1200.0, not 1206.5. Early: a hundred from then. Stated as flown only on uses that need none: from then.
    ['1106.5', 'en-route-to-inspection', '1200.0 h'],
    ['1092', null, '1192.0 h'],
    ['1106.5', null, '1200.0 h'],
    ['1106.5', 'flown-on-uses-without-the-limit', '1206.5 h'],
    ['1100', null, '1200.0 h'],
  ] as const)('a 100-hour at %s, excess %s, after one at 1000.0, is due at %s', (at, excess, expected) => {
    const asOf = '2024-06-10T23:00:00Z';
    const now = instantFromMilliseconds(Date.parse(asOf));
    const { facts, packs } = cleanCase({
      asOf,
      inspections: {
        'annual-2026': {
          completedOn: '2024-01-15',
          recordedAt: '2024-01-15T20:00:00Z',
          timeInService: 1000,
          signedBy: inspector,
        },
        'hundred-2026-10': null,
      },
      meterReadings: { today: { happenedAt: asOf, recordedAt: asOf, value: Number(at) } },
    });
    const after = withEntry(
      facts,
      entryOf(
        {
          of: 'inspection',
          kind: 'hundred-hour',
          completedOn: civilDate('2024-06-10'),
          timeInService: hours(at),
          outcome: 'approved',
          excess,
          testedToFeet: null,
        },
        'new',
        inspector,
        now,
      ),
    );
    const known = knownAt(after, now, authorityOf(packs));
    const due = decide(after, packs, null, now).limits.flatMap(({ constraint }) => {
      const words = constraint.id.startsWith('hundred-hour') ? tellDue(constraint, known) : null;
      return words === null ? [] : [words.next];
    });
    expect(due).toEqual([expected]);
  });
});
