import { ALL_USES } from '../envelope/use-set';
import { isMoreThanCrew } from '../records/flights/planned-flight';
import { constraint, DISPATCHER, remedy, RECORD_KEEPER } from './parts/constraint';
import { result, rule } from './parts/rule';

/** A student pilot carries no passenger (from memory). */
const alone = { kind: 'regulation', citation: '14 CFR 61.89(a)(1)' } as const;
const source = { kind: 'regulation', citation: '14 CFR 91.9(a)' } as const;

/** What the aircraft is approved and fitted for must be on record: its own full envelope is what a verdict is compared with. */
export const approvedUses = rule({
  id: 'approved-uses',
  title: 'Approved uses are on record',
  source,
  explanation:
    'An aircraft is flown only as its operating limitations and equipment allow. Until those uses are on record, it is not available for any. Nobody flies without a seat, and with a student who flies alone nobody else does.',
  judge: ({ aircraft }) => {
    if (aircraft.approvedFor !== null && aircraft.approvedFor.length > 0) return result([]);
    return result(
      [
        constraint({
          key: 'approved-uses',
          certainty: 'unknown',
          source,
          reason: { code: 'approved-uses-unknown' },
          closes: ALL_USES,
          remedies: [remedy('record-approved-uses', RECORD_KEEPER)],
        }),
      ],
      ['aircraft.approvedFor'],
    );
  },
  judgeFlight: (
    {
      aircraft: {
        particulars: { seats },
      },
    },
    _,
    flight,
    needs,
  ) => {
    const { persons, crew, passengers } = flight;
    if (crew === 'student-solo' && (passengers === true || isMoreThanCrew(flight))) {
      return [
        constraint({
          key: 'alone',
          certainty: 'failed',
          source: alone,
          closes: needs,
          reason: { code: 'student-not-alone' },
          remedies: [remedy('change-flight', DISPATCHER, 'persons')],
          condition: true,
        }),
      ];
    }
    if (persons === null || (seats !== null && persons <= seats)) return [];
    const made = { key: 'seats', source, closes: needs } as const;
    if (seats === null)
      return [
        constraint({
          ...made,
          certainty: 'unknown',
          reason: { code: 'particular-unknown', what: 'seats' },
          remedies: [remedy('record-particulars', RECORD_KEEPER, 'seats')],
        }),
      ];
    return [
      constraint({
        ...made,
        certainty: 'failed',
        reason: { code: 'cap-passed', quantity: 'persons', bound: 'at-most', value: seats, planned: persons },
        remedies: [remedy('change-flight', DISPATCHER, 'persons')],
        condition: true,
      }),
    ];
  },
});
