import { ALL_USES, type UseSet } from '../envelope/use-set';
import { WALKED_FOR, type Announced, type WalkroundOnRecord } from '../records/walkround/measurement';
import type { Instant } from '../time/instant';
import { civilDateAt, type ZoneId } from '../time/zone';
import { flightFeatures } from '../walkround/features';
import { closedTogether } from './parts/closed-uses';
import { ANYBODY, constraint, remedy, PILOT_OR_MECHANIC, type Constraint } from './parts/constraint';
import type { Reason } from './parts/reason';
import { NOT_ASKED, result, rule } from './parts/rule';

const source = { kind: 'common-practice' } as const;
const made = (given: Pick<Constraint, 'key' | 'certainty' | 'reason' | 'remedies'> & Partial<Constraint>) =>
  constraint({ source, closes: ALL_USES, condition: true, ...given });

/** Steps of consequence that nobody saw, or only in part. They keep their uses unavailable until somebody has. */
function unseenOf({ id, by, unseen }: WalkroundOnRecord): readonly Constraint[] {
  return unseen.map((step) =>
    made({
      records: [id],
      key: `unseen.${step.key}`,
      certainty: 'unknown',
      reason: { code: 'step-not-seen', title: step.title, place: step.place, by },
      closes: step.closes.length === 0 ? ALL_USES : closedTogether(step.closes),
      remedies: [remedy('look-at-step', ANYBODY, `${step.title} (${step.place})`)],
    }),
  );
}

/** What a flight waits for: that the walk-round is there, finished, signed, of the flight's day, and had the steps of such a flight. */
function gapOf(
  walkround: WalkroundOnRecord | null,
  starts: Instant,
  zone: ZoneId,
  closes: UseSet,
): readonly Constraint[] {
  const gap = (
    reason: Reason,
    act: 'do-walk-round' | 'finish-walk-round',
    records: readonly string[],
  ): readonly Constraint[] => [
    made({
      key: 'walk-round',
      certainty: 'unknown',
      reason,
      closes,
      records,
      remedies: [remedy(act, ANYBODY, records[0] ?? null)],
    }),
  ];
  if (walkround === null || civilDateAt(walkround.happenedAt, zone) < civilDateAt(starts, zone))
    return gap({ code: 'walk-round-missing' }, 'do-walk-round', []);
  const { id, by, left, signedAt, covers } = walkround;
  const brings = flightFeatures(closes);
  const [without] = WALKED_FOR.filter((what) => brings.includes(what) && !covers.includes(what));
  if (without !== undefined)
    return gap({ code: 'walk-round-without', by, what: without }, 'do-walk-round', [id]);
  if (left > 0) return gap({ code: 'walk-round-unfinished', by, left }, 'finish-walk-round', [id]);
  return signedAt === null ? gap({ code: 'walk-round-unsigned', by }, 'finish-walk-round', [id]) : [];
}

/** Oil and air are a pilot's or a mechanic's to put in; fuel, a sample and what is fetched are anybody's. */
const MAINTENANCE: readonly Announced['act'][] = ['add-oil', 'inflate-tyre'];

/** The walk-round before a flight, where the club asks for it here or somebody began one; and what was announced on it and not done yet. */
export const walkRound = rule({
  id: 'walk-round',
  title: 'Walk-round',
  source,
  explanation:
    'A flight waits until the walk-round since the last flight is finished and signed; it holds for its day, and for a flight by night or by instruments where it had the steps for one. What nobody saw, or only in part, is never a pass: a step of consequence keeps its uses unavailable until somebody has seen it. What was announced on the ramp (add a quart, fill the left tank, drain again) is done and recorded before the flight.',
  judge: ({ ramp }) => {
    if (ramp?.walkround === undefined && ramp?.announced === undefined) return NOT_ASKED;
    return result(ramp.walkround == null ? [] : unseenOf(ramp.walkround));
  },
  judgeFlight: ({ ramp, place: { zone } }, _, { starts }, needs) => [
    ...(ramp?.walkround === undefined ? [] : gapOf(ramp.walkround, starts, zone, needs)),
    ...(ramp?.announced ?? []).map(({ id, act, which, amount, by }) =>
      made({
        key: `announced.${id}`,
        certainty: 'failed',
        reason: { code: 'announced-open', act, which, amount, by },
        closes: needs,
        records: [id],
        remedies: [remedy('do-announced', MAINTENANCE.includes(act) ? PILOT_OR_MECHANIC : ANYBODY, id)],
      }),
    ),
  ],
});
