import { ALL_USES } from '../envelope/use-set';
import { isGlider } from '../records/aircraft/aircraft';
import { latestAll } from '../records/facts';
import type { Rigging } from '../records/aircraft/rigging';
import { ANYBODY, constraint, remedy, RECORD_KEEPER } from './parts/constraint';
import type { RiggingGap } from './parts/reason';
import { each, result, rule } from './parts/rule';

const source = { kind: 'common-practice' } as const;
const record = remedy('record-rigging', ANYBODY);

/** What is missing of the checks after rigging. */
function gapsOf({ assemblyCheckedBy, controlsCheckedBy, toolsComplete }: Rigging): readonly RiggingGap[] {
  return [
    ...(assemblyCheckedBy === null ? ['assembly' as const] : []),
    ...(controlsCheckedBy === null ? ['controls' as const] : []),
    ...(toolsComplete === true
      ? []
      : [toolsComplete === false ? ('tools-missing' as const) : ('tools-not-counted' as const)]),
  ];
}

/** A glider that was rigged is checked before it flies: its critical assemblies, its controls with a helper, and the count of the tools. */
export const gliderRigging = rule({
  id: 'glider-rigging',
  title: 'Rigging',
  source,
  explanation:
    'After every rigging the critical assemblies are checked by the maker’s list without interruption, the surfaces are held against the controls, and tools and parts are counted. A surface that is not connected has killed people in gliders that looked complete. One that is kept rigged is looked at on the walk-round.',
  judge: ({ aircraft, riggings }) => {
    if (!isGlider(aircraft)) return result([]);
    const latest = latestAll(riggings);
    const made = { source, closes: ALL_USES, condition: true } as const;
    if (latest.length === 0) {
      if (aircraft.particulars.keptRigged === true) return result([]);
      const kept =
        aircraft.particulars.keptRigged === false
          ? []
          : [remedy('record-particulars', RECORD_KEEPER, 'kept-rigged')];
      return result(
        [
          constraint({
            ...made,
            key: 'rigged',
            certainty: 'unknown',
            reason: { code: 'rigging-unknown' },
            remedies: [record, ...kept],
          }),
        ],
        ['riggings'],
      );
    }
    return result(
      each(latest, (one) => {
        if (one.state === 'derigged')
          return [
            constraint({
              ...made,
              key: 'rigged',
              certainty: 'failed',
              reason: { code: 'derigged' },
              records: [one.id],
              remedies: [record],
            }),
          ];
        const gaps = gapsOf(one);
        return gaps.length === 0
          ? []
          : [
              constraint({
                ...made,
                key: 'checked',
                certainty: 'failed',
                reason: { code: 'rigging-not-checked', gaps },
                records: [one.id],
                remedies: [record],
                condition: !gaps.includes('tools-missing'),
              }),
            ];
      }),
    );
  },
});
