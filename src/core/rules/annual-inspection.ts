import { ALL_USES } from '../envelope/use-set';
import { ANNUALS, countingInspections, discountedEntries, refusal } from '../records/maintenance/inspection';
import { lastDayOfCalendarMonths } from '../time/civil-date';
import { endOfDay } from '../time/zone';
import { uncoveredCategory } from './parts/category';
import { constraint, from, INSPECTORS, remedy, type Constraint } from './parts/constraint';
import { result, rule } from './parts/rule';

const source = { kind: 'regulation', citation: '14 CFR 91.409(a)' } as const;
const MONTHS = 12;

const annual = remedy('complete-annual', INSPECTORS);

/**
 * An annual inspection, approved for return to service, within the preceding 12 calendar months.
 * Light-sport and experimental aircraft have a condition inspection instead (91.409(c)), those
 * on a progressive programme its segments (91.409(d)).
 */
export const annualInspection = rule({
  id: 'annual-inspection',
  title: 'Annual inspection',
  source,
  explanation:
    'Every 12 calendar months an inspector with inspection authorisation (IA), or a repair station, inspects the whole aircraft and approves it for return to service. It holds to the last day of the twelfth month after; there are no days of grace. The inspection for the issue of an airworthiness certificate counts as one, and so does the last complete inspection under a progressive programme that was left.',
  judge: ({ aircraft, inspections, place, authority }) => {
    if (aircraft.category === 'light-sport' || aircraft.category === 'experimental') return result([]);
    const closed = uncoveredCategory(aircraft.category, ['standard', 'glider'], source, ALL_USES);
    if (closed !== null) return result([closed], aircraft.category === null ? ['aircraft.category'] : []);
    if (aircraft.particulars.programme === 'progressive') return result([]);

    const last = countingInspections(inspections, ANNUALS, place.zone, authority).at(-1) ?? null;
    const discounted = discountedEntries(inspections, ANNUALS, last, place.zone, authority);
    const made = (given: Pick<Constraint, 'certainty' | 'reason' | 'remedies'> & Partial<Constraint>) =>
      constraint({ key: 'annual', source, closes: ALL_USES, permitMayCover: true, ...given });

    // An aircraft refused at its annual is closed by a rule of its own until the list is cleared; then the months run from that annual.
    if (refusal(inspections, 'annual', ANNUALS, place.zone, authority) !== null) return result([]);
    const remedies = [
      ...discounted
        .slice(0, 1)
        .map(({ completedOn }) =>
          remedy(
            'complete-inspection-entry',
            INSPECTORS,
            'annual',
            null,
            from(endOfDay(lastDayOfCalendarMonths(completedOn, MONTHS), place.zone)),
          ),
        ),
      annual,
    ];
    if (last === null)
      return result(
        [made({ certainty: 'unknown', reason: { code: 'annual-unknown', discounted }, remedies })],
        ['inspections (annual)'],
      );
    const lastDay = lastDayOfCalendarMonths(last.completedOn, MONTHS);
    return result([
      made({
        certainty: 'failed',
        reason: { code: 'annual-expires', completedOn: last.completedOn, lastDay, discounted },
        records: [last.id],
        begins: from(endOfDay(lastDay, place.zone)),
        remedies,
      }),
    ]);
  },
});
