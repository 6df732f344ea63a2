import type { Decision, FlightAnswer } from '../core/decision/decision';
import type { ZoneId } from '../core/time/zone';
import { hoursOverText, momentText } from './formats';
import { ACT_NAMES } from './lifts';
import { limitName } from './limits';
import { tellDecided } from './reasons';

/** The answer for a planned flight in one or two sentences; empty when it is yes. */
export function tellFlight(answer: FlightAnswer, decision: Decision, zone: ZoneId): string {
  if (answer.timesContradict) return 'Its times contradict each other.';
  if (answer.notApproved) return 'This aircraft is not approved or fitted for such a flight.';
  const closing = [...decision.constraints.filter(({ id }) => answer.closedBy.includes(id)), ...answer.own];
  const blocking = closing.find(({ condition }) => !condition);
  if (blocking !== undefined) return tellDecided(blocking, 'in-force').headline;
  const outrun = answer.outruns.find(({ constraint }) => !constraint.condition);
  if (outrun !== undefined) {
    const name = limitName(outrun.constraint);
        switch (outrun.currency) {
      case 'hours': return `Outruns the ${name} by ${hoursOverText(outrun.by)}.`;
      case 'count': return `Outruns the ${name} by ${outrun.by}.`;
      case 'time': return `Ends after ${momentText(outrun.at, zone)}, when the ${name} ends.`;
      default: {
        const missing: never = outrun;
        throw new RangeError(`no such currency: ${JSON.stringify(missing)}`);
      }
    }
  }
  const condition = closing[0] ?? answer.outruns[0]?.constraint;
  const act = condition?.lifts[0]?.act;
  return act === undefined ? '' : `Yes, after: ${ACT_NAMES[act]}.`;
}
