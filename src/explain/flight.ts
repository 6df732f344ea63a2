import type { Decision, FlightAnswer } from '../core/decision/decision';
import type { ZoneId } from '../core/time/zone';
import { actsText } from './remedies';
import { exceedanceText } from './limits';
import { tellConstraint } from './constraint';

/** The answer for a planned flight in one or two sentences; empty when it is yes. Where steps are left, all of them are said. */
export function tellFlight(answer: FlightAnswer, decision: Decision, zone: ZoneId): string {
  if (answer.timesContradict) return 'Its times contradict each other.';
  if (answer.notApproved) return 'This aircraft is not approved or fitted for such a flight.';
  const closing = [...decision.constraints.filter(({ id }) => answer.closedBy.includes(id)), ...answer.own];
  const blocking = closing.find(({ condition }) => !condition);
  if (blocking !== undefined) return tellConstraint(blocking, 'in-force').headline;
  const exceedance = answer.exceedances.find(({ constraint }) => !constraint.condition);
  if (exceedance !== undefined) return exceedanceText(exceedance, zone);
  const steps = [...closing, ...answer.exceedances.map(({ constraint }) => constraint)].flatMap(
    ({ remedies: [first] }) => (first === undefined ? [] : [{ act: first.act, on: first.on }]),
  );
  return steps.length === 0 ? '' : `Yes, after: ${actsText(steps)}.`;
}
