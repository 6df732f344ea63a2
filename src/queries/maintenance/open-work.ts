import { may } from '@/contracts/kernel/permissions';
import type { Authority, SignedWork } from '@/core/records/club/certificate';
import { knownAt, type AircraftFacts } from '@/core/records/facts';
import type { DecidedConstraint } from '@/core/decision/decision';
import type { Act } from '@/core/rules/parts/constraint';
import type { Instant } from '@/core/time/instant';
import type { CivilDate } from '@/core/time/civil-date';
import { civilDateAt } from '@/core/time/zone';
import { tellConstraint } from '@/explain/constraint';
import { momentText } from '@/explain/formats';
import { dateText } from '@/explain/wording';
import { certificatesFor, type OfferedCertificate, type OwnCertificate } from '../kernel/own-certificates';

/** Work that something hangs on: in words, with the reader's certificates for each step that it needs. Null where it does not need that step. */
export interface OpenWork {
  readonly id: string;
  readonly description: string;
  /** The day on which it was done; empty while nobody has said that it is. */
  readonly on: string;
  readonly tells: readonly string[];
  readonly approve: readonly OfferedCertificate[] | null;
  readonly checkFlight: readonly OfferedCertificate[] | null;
  /** Flights that were flown since it was signed for, the last first: one of them may be its check flight. */
  readonly flights: readonly { readonly id: string; readonly on: CivilDate; readonly words: string }[];
  readonly inspect: readonly OfferedCertificate[] | null;
}

export interface WorkPart {
  readonly open: readonly OpenWork[];
  readonly mayBegin: boolean;
  /** The reader's certificates by what they may sign of new work. */
  readonly sign: {
    readonly work: readonly OfferedCertificate[];
    readonly major: readonly OfferedCertificate[];
    readonly preventive: readonly OfferedCertificate[];
  };
}

/** What an aircraft waits for after work, as its decision has it. */
export function openWork(
  constraints: readonly DecidedConstraint[],
  facts: AircraftFacts,
  {
    present,
    authority,
    name,
    own,
    roles,
  }: {
    readonly present: Instant;
    readonly authority: Authority;
    readonly name: string;
    readonly own: readonly OwnCertificate[];
    readonly roles: readonly string[];
  },
): WorkPart {
  const today = civilDateAt(present, facts.place.zone);
  const offered = (work: SignedWork, allowed: boolean) =>
    allowed ? certificatesFor(work, own, name, today, authority) : [];
  const known = facts.work.length === 0 ? [] : knownAt(facts, present, authority).work;
  return {
    open: known.flatMap((work): readonly OpenWork[] => {
      const own = constraints.filter(({ remedies }) => remedies.some(({ on }) => on === work.id));
      const needs = (act: Act, signs: SignedWork, allowed: boolean) =>
        own.some(({ remedies }) => remedies.some((one) => one.act === act && one.on === work.id))
          ? offered(signs, allowed)
          : null;
      return own.length === 0
        ? []
        : [
            {
              id: work.id,
              description: work.description ?? '',
              on: work.completedOn === null ? '' : dateText(work.completedOn),
              tells: [...new Set(own.map((one) => tellConstraint(one, 'in-force').headline))],
              approve: needs(
                'release-after-work',
                work.major === true ? 'major-repair-or-alteration' : 'return-to-service',
                may(roles, 'approve-work'),
              ),
              checkFlight: needs('fly-check-flight', 'check-flight', may(roles, 'record-check-flight')),
              flights: facts.flightsOut
                .filter(({ happenedAt, returned }) => returned !== null && happenedAt >= work.recordedAt)
                .toSorted((a, b) => b.happenedAt - a.happenedAt)
                .map(({ id, happenedAt, by }) => ({
                  id,
                  on: civilDateAt(happenedAt, facts.place.zone),
                  words: `${momentText(happenedAt, facts.place.zone)}${by === null ? '' : `, ${by}`}`,
                })),
              inspect: needs(
                'inspect-independently',
                'independent-inspection',
                may(roles, 'inspect-independently'),
              ),
            },
          ];
    }),
    mayBegin: may(roles, 'begin-work'),
    sign: {
      work: offered('return-to-service', may(roles, 'record-work')),
      major: offered('major-repair-or-alteration', may(roles, 'record-work')),
      preventive: offered('service', may(roles, 'record-work')),
    },
  };
}
