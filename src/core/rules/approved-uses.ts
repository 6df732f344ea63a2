import { ALL_USES } from '../envelope/use-set';
import { constraint, DISPATCHER, lift, RECORD_KEEPER } from './parts/constraint';
import { result, rule } from './parts/rule';

const source = { kind: 'regulation', citation: '14 CFR 91.9(a)' } as const;

/** What the aircraft is approved and fitted for must be on record: its own full envelope is what a verdict is compared with. */
export const approvedUses = rule({
  id: 'approved-uses',
  title: 'Approved uses are on record',
  source,
  explanation: 'An aircraft is flown only as its operating limitations and equipment allow. Until those uses are on record, none is open. Nobody flies without a seat.',
  judge: ({ aircraft }) => {
    if (aircraft.approvedFor !== null && aircraft.approvedFor.length > 0) return result([]);
    return result([constraint({ key: 'approved-uses', certainty: 'unknown', source, reason: { code: 'approved-uses-unknown' }, closes: ALL_USES, lifts: [lift('record-approved-uses', RECORD_KEEPER)] })], ['aircraft.approvedFor']);
  },
  judgeFlight: ({ aircraft: { particulars } }, _, { persons }, needs) => (particulars.seats === null || persons === null || persons <= particulars.seats ? [] : [constraint({
    key: 'seats', certainty: 'failed', source, reason: { code: 'cap-passed', quantity: 'persons', bound: 'at-most', value: particulars.seats, planned: persons }, closes: needs, lifts: [lift('change-flight', DISPATCHER, 'persons')], condition: true,
  })]),
});
