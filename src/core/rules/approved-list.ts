import { union, usesIn } from '../envelope/use-set';
import { constraint, remedy, MECHANICS } from './parts/constraint';
import { result, rule } from './parts/rule';

const source = { kind: 'regulation', citation: 'CASR Part 91 MOS ch. 26' } as const;
/** What asks for more than we know of: instrument flight, and carrying or teaching anybody for hire. */
const CLOSES = union(
  usesIn({ rules: ['ifr'] }),
  usesIn({ purpose: ['carriage-for-hire', 'instruction-school-aircraft', 'glider-towing'] }),
);

/**
 * In Australia the equipment for instrument flight and for hire is a long list of which we know only parts. It counts as there once somebody
 * has compared the aircraft with a list that the authority or the maker approved. From memory.
 */
export const approvedList = rule({
  id: 'approved-list',
  title: 'Approved equipment list',
  source,
  explanation:
    'Which equipment an Australian aircraft needs for instrument flight and for hire stands in a standard of which these rules look only at parts. Until the aircraft has been compared with an approved equipment list, and that is on record, it is available for neither.',
  judge: ({ equipmentList }) =>
    equipmentList?.approved === true
      ? result([])
      : result(
          [
            constraint({
              key: 'list',
              certainty: 'unknown',
              source,
              reason: { code: 'approved-list-missing' },
              records: equipmentList === null ? [] : [equipmentList.id],
              closes: CLOSES,
              remedies: [remedy('record-equipment', MECHANICS)],
            }),
          ],
          ['equipment.approved'],
        ),
});
