import type { KnownFacts } from '@/core/records/facts';
import { reliefsOf } from '@/core/records/maintenance/permit';
import type { Authority } from '@/core/records/club/certificate';
import type { Instant } from '@/core/time/instant';
import { momentText } from '@/explain/formats';
import { dateText } from '@/explain/wording';

/** A special flight permit that is not over, in words. */
export interface PermitShown {
  readonly id: string;
  readonly number: string;
  /** Its route and conditions, as they stand on it. */
  readonly conditions: string;
  /** From when until when, and what it covers; or that it opens nothing. */
  readonly tells: string;
  readonly by: string;
}

/** The permits of an aircraft that are not over, as its page shows them, the newest first. */
export function permitsShown(
  { permits, place }: Pick<KnownFacts, 'permits'> & { readonly place: Pick<KnownFacts['place'], 'zone'> },
  registration: string,
  authority: Authority,
  present: Instant,
): readonly PermitShown[] {
  return permits
    .toSorted((a, b) => b.recordedAt - a.recordedAt)
    .flatMap((permit): readonly PermitShown[] => {
      const [relief] = reliefsOf([permit], registration, place.zone, authority);
      if (relief !== undefined && relief.until <= present) return [];
      const { id, number, conditions = '', validFrom, validUntil, safeForFlight } = permit;
      const days =
        validFrom === null || validUntil === null
          ? ''
          : validFrom === validUntil
            ? dateText(validFrom)
            : `${dateText(validFrom)} to ${dateText(validUntil)}`;
      return [
        {
          id,
          number: number ?? 'without a number',
          conditions,
          tells:
            relief === undefined
              ? `${days}. It opens nothing: something that it needs is missing.`.replace(/^\. /u, '')
              : `${days}. It covers what was on record ${momentText(relief.knows, place.zone)}, and nothing that was found since.`,
          by: safeForFlight?.by.name ?? '',
        },
      ];
    });
}
