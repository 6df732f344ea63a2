import { ALL_USES } from '../envelope/use-set';
import { countingInspections, discountedEntries, refusal } from '../records/inspection';
import { lastDayOfCalendarMonths } from '../time/civil-date';
import { endOfDay } from '../time/zone';
import { uncoveredCategory } from './parts/category';
import type { Constraint, Lift } from './parts/constraint';
import type { Reason } from './parts/reason';
import { result, rule } from './parts/rule';

const source = { kind: 'regulation', citation: '14 CFR 91.409(a)' } as const;
const MONTHS = 12;

const annual: Lift = { act: 'complete-annual', by: { kind: 'certificate', anyOf: ['inspection-authorisation', 'repair-station'] } };
const completeEntry: Lift = { act: 'complete-inspection-entry', by: { kind: 'certificate', anyOf: ['inspection-authorisation', 'repair-station'] } };
const clearList: Lift = { act: 'clear-inspection-list', by: { kind: 'certificate', anyOf: ['mechanic-airframe-powerplant', 'inspection-authorisation', 'repair-station'] } };

/**
 * An annual inspection, approved for return to service, within the preceding 12 calendar months.
 * An aircraft refused at its annual has been inspected but not approved: it is closed until the list is cleared, and the
 * months run from the inspection.
 */
export const annualInspection = rule({
  id: 'annual-inspection',
  title: 'Annual inspection',
  source,
  explanation: 'Every 12 calendar months somebody with an inspection authorisation, or a repair station, inspects the whole aircraft and approves it. It holds to the last day of the twelfth month after; there are no days of grace.',
  judge: ({ aircraft, inspections, place }) => {
    const closed = uncoveredCategory(aircraft.category, ['standard'], source, ALL_USES);
    if (closed !== null) return result([closed], aircraft.category === null ? ['aircraft.category'] : []);

    const constraint = (key: string, certainty: Constraint['certainty'], reason: Reason, records: readonly string[], begins: Constraint['begins'], lifts: readonly Lift[]): Constraint =>
      ({ key, certainty, source, reason, records, closes: ALL_USES, begins, ends: null, lifts, condition: false });
    const last = countingInspections(inspections, ['annual'], place.zone).at(-1) ?? null;
    const discounted = discountedEntries(inspections, ['annual'], last, place.zone);

    const refused = refusal(inspections, ['annual'], place.zone);
    if (refused !== null) {
      return result([constraint('annual', 'failed', { code: 'inspection-not-approved', kind: 'annual', completedOn: refused.completedOn }, [refused.id], { kind: 'recorded' }, [clearList])]);
    }
    const lifts = discounted.length > 0 ? [completeEntry, annual] : [annual];
    if (last === null) {
      return result([constraint('annual', 'unknown', { code: 'annual-unknown', discounted }, [], { kind: 'recorded' }, lifts)], ['inspections (annual)']);
    }
    const lastDay = lastDayOfCalendarMonths(last.completedOn, MONTHS);
    return result([constraint('annual', 'failed', { code: 'annual-expires', completedOn: last.completedOn, lastDay, discounted }, [last.id],
      { kind: 'instant', at: endOfDay(lastDay, place.zone) }, lifts)]);
  },
});
