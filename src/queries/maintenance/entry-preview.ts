import type { EntryPreviewQuestion } from '@/contracts/maintenance/new-entry';
import { decide } from '@/core/decision/decide';
import type { DecidedConstraint, Decision, Verdict } from '@/core/decision/decision';
import { authorityFor, mayBeSignedBy, type CertificateKind } from '@/core/records/club/certificate';
import { knownAt, presentFor, type AircraftFacts } from '@/core/records/facts';
import { entryFaults, entryOf, withEntry, workOf } from '@/core/records/maintenance/new-entry';
import { workWithEffects } from '@/core/records/maintenance/work-effects';
import { authorityOf } from '@/core/rules/register';
import type { CivilDate } from '@/core/time/civil-date';
import type { Instant } from '@/core/time/instant';
import { civilDateAt } from '@/core/time/zone';
import { readClub } from '@/db/club/clubs';
import type { ClubTransaction } from '@/db/kernel/connection';
import { tellReasons } from '@/explain/constraint';
import { tellDue } from '@/explain/due';
import { meterText } from '@/explain/formats';
import { list } from '@/explain/wording';
import { limitName } from '@/explain/limits';
import { CERTIFICATE_NAMES, FAULT_NAMES } from '@/explain/names';
import { tellDecided } from '@/explain/reasons';
import { keptFacts } from '../kernel/kept-facts';

/** What an entry would move. */
export interface EntryPreview {
  readonly verdict: { readonly before: Verdict; readonly after: Verdict };
  /** Each thing whose next limit changes, with the sum. */
  readonly moved: readonly {
    readonly name: string;
    readonly before: string;
    readonly after: string;
    readonly sum: string;
  }[];
  /** What the aircraft would wait for after it, since the work may have changed something. */
  readonly waits: readonly string[];
  /** Why the entry would not count, but for its signature. */
  readonly faults: readonly string[];
  /** Whose certificates may sign it, in words, and their kinds. */
  readonly signs: string;
  readonly kinds: readonly CertificateKind[];
  /** Set where a reading is more than the meter on record: it must be read again. */
  readonly aboveMeter: string | null;
}

const WORK_BEING_WRITTEN = 'work-being-written';

const due = (decision: Decision): readonly DecidedConstraint[] => [
  ...decision.constraints,
  ...decision.limits.map(({ constraint }) => constraint),
];

/** What is due by a decision, by constraint. */
function nextBy(
  decision: Decision,
  facts: AircraftFacts,
): ReadonlyMap<string, { readonly name: string; readonly next: string; readonly sum: string }> {
  return new Map(
    due(decision).flatMap((constraint) => {
      const words = tellDue(constraint, facts);
      return words === null
        ? []
        : [
            [
              constraint.id,
              {
                name: limitName(constraint),
                next: words.next,
                sum: words.sum === '' ? tellDecided(constraint, 'ahead').headline : words.sum,
              },
            ] as const,
          ];
    }),
  );
}

/** What an entry would change, before anybody signs it. The stand-in signature is entitled, so that only what the entry itself lacks is told. Null without such an aircraft. */
export async function entryPreview(
  tx: ClubTransaction,
  clubId: string,
  { aircraftId, draft, effects }: EntryPreviewQuestion,
  now: Instant,
): Promise<EntryPreview | null> {
  const club = await readClub(tx, clubId);
  const [stored] = await keptFacts(tx, club, aircraftId);
  if (stored === undefined) return null;
  const authority = authorityFor(authorityOf(club.packs), stored.facts.aircraft);
  const work = workOf(stored.facts, draft);
  if (work === null) return null;
  const kinds = mayBeSignedBy(work, authority);
  const [kind] = kinds;
  const present = presentFor(stored.facts, now);
  const signature =
    kind === undefined
      ? null
      : {
          name: 'to be signed',
          certificate: {
            kind,
            number: '-',
            validFrom: '1900-01-01' as CivilDate,
            validUntil: 'no-expiry' as const,
          },
        };
  const entry = entryOf(draft, 'entry-being-written', signature, present);
  const done = workWithEffects(
    {
      id: WORK_BEING_WRITTEN,
      recordedAt: present,
      completedOn: draft.completedOn,
      description: 'this work',
      signedBy: signature,
    },
    effects,
  );
  const entered = withEntry(stored.facts, entry);
  const facts = done === null ? entered : { ...entered, work: [...entered.work, done] };
  const before = decide(stored.facts, club.packs, null, present);
  const after = decide(facts, club.packs, null, presentFor(facts, present));
  const then = nextBy(before, stored.facts);
  const next = nextBy(after, facts);
  const told = new Set<string>();
  const moved = [...next].flatMap(([id, words]) => {
    const old = then.get(id)?.next ?? 'not known';
    const key = `${words.name} ${words.next}`;
    if (old === words.next || told.has(key)) return [];
    told.add(key);
    return [{ name: words.name, before: old, after: words.next, sum: words.sum }];
  });
  const meters = knownAt(stored.facts, present, authority).accounted;
  const above = (
    draft.of === 'inspection'
      ? draft.timeInService === null
        ? []
        : [{ meter: 'time-in-service' as const, value: draft.timeInService }]
      : draft.readings
  ).find(({ meter, value }) => {
    const standing = meters[meter];
    return standing.state === 'known' && value > standing.value;
  });
  const standing = above === undefined ? undefined : meters[above.meter];
  const faults = entryFaults(entry, work, club.place.zone, authority).map((fault) => FAULT_NAMES[fault]);
  return {
    verdict: { before: before.verdict, after: after.verdict },
    moved,
    waits: tellReasons(after.constraints.filter(({ records }) => records.includes(WORK_BEING_WRITTEN))).map(
      ({ headline, meaning }) => `${headline} ${meaning}`.trim(),
    ),
    faults:
      draft.completedOn > civilDateAt(now, club.place.zone)
        ? [...new Set([...faults, FAULT_NAMES['completed-after-recorded']])]
        : faults,
    signs:
      kinds.length === 0
        ? 'nobody under this club’s rules'
        : list(
            kinds.map((one) => CERTIFICATE_NAMES[one]),
            'or',
          ),
    kinds,
    aboveMeter:
      above === undefined || standing?.state !== 'known'
        ? null
        : `${meterText(above.meter, above.value)} is more than ${meterText(above.meter, standing.value)}, which is on record.`,
  };
}
