import { signatureFaults } from '../../records/club/certificate';
import type { KnownFacts } from '../../records/facts';
import type { FuelSample, Uplift } from '../../records/walkround/measurement';
import { civilDateAt } from '../../time/zone';

/** True once a mechanic has dealt with it: on no earlier day than it was found or put in, and written down no earlier. */
export function isDealtWith(
  { cleared, happenedAt }: FuelSample | Uplift,
  { place: { zone }, authority }: Pick<KnownFacts, 'place' | 'authority'>,
): boolean {
  return (
    cleared != null
    && cleared.recordedAt >= happenedAt
    && cleared.on >= civilDateAt(happenedAt, zone)
    && cleared.on <= civilDateAt(cleared.recordedAt, zone)
    && signatureFaults(cleared.by, 'return-to-service', cleared.on, authority).length === 0
  );
}
