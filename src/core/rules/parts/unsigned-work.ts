import { ALL_USES } from '../../envelope/use-set';
import type { EnteredWork } from '../../records/club/certificate';
import type { KnownFacts } from '../../records/facts';
import { countingDone, doneFaults, type ItemDone } from '../../records/maintenance/maintenance-item';
import { constraint, remedy, MECHANICS, type Constraint } from './constraint';

const source = { kind: 'regulation', citation: '14 CFR 91.407(a) and 43.9' } as const;

/**
 * Work that was done and that nobody entitled has signed: a part that is out, in or replaced. It closes until it is signed, unless the same was
 * done and signed since. A copy from paper that nobody has vouched for is no new work: it does not count, and closes nothing by itself.
 */
export function unsignedWork(
  done: readonly Pick<ItemDone, 'id' | 'completedOn' | 'recordedAt' | 'signedBy' | 'readings'>[],
  name: string,
  work: EnteredWork,
  { place: { zone }, authority }: Pick<KnownFacts, 'place' | 'authority'>,
): readonly Constraint[] {
  const counting = countingDone(done, work, zone, authority);
  return done.flatMap((one): readonly Constraint[] => {
    const faults = doneFaults(one, work, zone, authority).filter(
      (fault) => fault !== 'copy-not-vouched' && fault !== 'completed-after-recorded',
    );
    if (
      faults.length === 0
      || one.signedBy?.vouched === 'nobody'
      || counting.some(
        (signed) =>
          signed.completedOn > one.completedOn
          // Of one day: the entry that was completed afterwards.
          || (signed.completedOn === one.completedOn && signed.recordedAt > one.recordedAt),
      )
    )
      return [];
    return [
      constraint({
        key: `unsigned.${one.id}`,
        certainty: 'failed',
        source,
        reason: { code: 'work-not-signed', name, completedOn: one.completedOn, faults },
        records: [one.id],
        closes: ALL_USES,
        remedies: [remedy('complete-work-entry', MECHANICS, one.id)],
        permitMayCover: true,
      }),
    ];
  });
}
