import { isEmpty, overlaps } from '../envelope/use-set';
import { isExceptedFromTransponder } from '../records/aircraft/aircraft';
import type { Estimate } from '../records/flights/movement';
import { AUTHORISED_WITHOUT, type PlannedFlight } from '../records/flights/planned-flight';
import { DISPATCHER, remedy, PILOT_IN_COMMAND, type Remedy } from '../rules/parts/constraint';
import { bites } from './decide';
import type { DecidedConstraint, Decision } from './decision';
import { closingNow } from './planned-flight';
import { flownAfter, NOTHING_FLOWN } from './flown';
import { usesNeeded } from './uses-needed';
import type { Prepared } from './prepare';
import { remedyPlans, type RemedyPlans } from './remedy-plans';

/** True for an act after which the constraint does not close again at once. */
const stillOpen =
  ({ asOf, meters }: Decision) =>
  ({ holds }: Remedy): boolean =>
    holds === null || !bites(holds, asOf, meters);

/** What acts take: what is on record of the aircraft first, then what the club says; for the rest what is usual holds. */
function estimatesOf({ facts, packs }: Prepared): readonly Estimate[] {
  return [...facts.estimates, ...(packs.estimates ?? []).map((one) => ({ ...one, on: null }))];
}

/** What lets this one flight need less airspace: air traffic control's authorisation, and saying that it stays where the aircraft needs no transponder. */
function airspaceRemedies(
  { closes }: DecidedConstraint,
  flown: PlannedFlight,
  { place, facts }: Prepared,
): readonly Remedy[] {
  const helps = (change: Partial<PlannedFlight>) =>
    !overlaps(closes, usesNeeded({ ...flown, ...change }, place, facts.aircraft));
  const authorised = AUTHORISED_WITHOUT.filter((without) =>
    helps({ authorisedWithout: [...flown.authorisedWithout, without] }),
  );
  const together =
    authorised.length === 0 && helps({ authorisedWithout: AUTHORISED_WITHOUT })
      ? ['transponder and ads-b-out']
      : authorised;
  return [
    ...together.map((without) => remedy('obtain-atc-authorisation', PILOT_IN_COMMAND, without)),
    ...(isExceptedFromTransponder(facts.aircraft) && helps({ exceptedAirspace: true })
      ? [remedy('state-for-flight', DISPATCHER, 'exceptedAirspace')]
      : []),
  ];
}

/** The remedies for the planned flight of a decision; null without one, or where it needs none or cannot have any. */
export function plansForFlight(
  prepared: Prepared,
  decision: Decision,
  flown: PlannedFlight | null,
): RemedyPlans | null {
  const { flight } = decision;
  if (
    flight === null
    || flown === null
    || flight.answer === 'yes'
    || flight.notApproved
    || flight.timesContradict
  )
    return null;
  const closing = decision.constraints.filter(({ id }) => flight.closedBy.includes(id));
  const closed = [...closing, ...flight.own, ...flight.exceedances.map(({ constraint }) => constraint)];
  const inTheWay = new Map(
    closed.map((one) => [
      one.id,
      { ...one, remedies: [...one.remedies, ...airspaceRemedies(one, flown, prepared)] },
    ]),
  );
  const after = flownAfter(NOTHING_FLOWN, flown);
  // What a flight may end exactly at does not close it.
  const reached = ({ holds }: Remedy) =>
    holds !== null
    && (holds.kind === 'meter'
      ? (decision.meters[holds.meter] ?? holds.at) + after[holds.meter] > holds.at
      : holds.kind === 'instant' && flown.ends > holds.at);
  return remedyPlans([...inTheWay.values()], flight.needs, estimatesOf(prepared), (one) => !reached(one));
}

/** The remedies for the wanted uses of a decision; null without any, or where they are open or were never approved. */
export function plansForWanted(prepared: Prepared, decision: Decision): RemedyPlans | null {
  const { wanted } = decision;
  if (wanted === null || wanted.answer === 'yes' || wanted.notApproved) return null;
  return remedyPlans(
    closingNow(wanted.wanted, decision),
    wanted.wanted,
    estimatesOf(prepared),
    stillOpen(decision),
  );
}

/** The remedies to every ordinary use that the aircraft has: what would release it. Null where it is released. */
export function plansToRelease(prepared: Prepared, decision: Decision): RemedyPlans | null {
  if (decision.verdict === 'Released') return null;
  if (isEmpty(prepared.ordinary)) {
    // Nobody knows what it is approved for: saying so comes first, and what else is in the way shows then.
    const unknown = decision.constraints.filter(({ reason }) => reason.code === 'approved-uses-unknown');
    return unknown.length === 0
      ? null
      : remedyPlans(unknown, prepared.ordinary, estimatesOf(prepared), stillOpen(decision));
  }
  const closing = [
    ...closingNow(prepared.ordinary, decision),
    ...decision.constraints.filter(({ cap }) => cap !== null),
  ];
  return remedyPlans(closing, prepared.ordinary, estimatesOf(prepared), stillOpen(decision));
}
