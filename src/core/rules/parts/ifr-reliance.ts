import { usesIn, type UseSet } from '../../envelope/use-set';
import type { KnownFacts } from '../../records/facts';
import type { PlannedFlight } from '../../records/flights/planned-flight';
import {
  constraint,
  DISPATCHER,
  remedy,
  RECORD_KEEPER,
  RECORDED,
  type Constraint,
  type RuleResult,
  type Source,
} from './constraint';
import { result, type Rule } from './rule';

const IFR = usesIn({ rules: ['ifr'] });

/** One of the two things that navigation by instruments can rest on. */
export interface Reliance {
  /** The word for aircraft that have nothing else. */
  readonly only: 'vor-only' | 'satellite-only';
  readonly says: 'reliesOnVor' | 'reliesOnDatabase';
  readonly source: Source;
  /** Its constraints on some uses, and what facts were missing. */
  readonly find: (facts: KnownFacts, closes: UseSet) => RuleResult;
}

/** True where something begun or ended by itself bites during the flight. */
const meets = ({ begins, ends }: Constraint, flight: PlannedFlight): boolean =>
  (begins.kind !== 'instant' || flight.ends > begins.at) && (ends === null || flight.starts < ends);

/**
 * The judgement of what instrument flight relies on: of an aircraft that has nothing else it closes all of it; of one that can do
 * without, only flights that rely on it or do not say. A flight that claims to rely on neither relies on something that nobody checked.
 */
export function judgeReliance({
  only,
  says,
  source,
  find,
}: Reliance): Required<Pick<Rule<undefined>, 'judge' | 'judgeFlight'>> {
  return {
    judge: (facts) => {
      const navigation = facts.aircraft.particulars.ifrNavigation;
      if (navigation === null) {
        return result(
          [
            constraint({
              key: 'navigation',
              certainty: 'unknown',
              source,
              reason: { code: 'particular-unknown', what: 'ifr-navigation' },
              closes: IFR,
              remedies: [remedy('record-particulars', RECORD_KEEPER, 'ifr-navigation')],
            }),
          ],
          ['aircraft.ifrNavigation'],
        );
      }
      return navigation === only ? find(facts, IFR) : result([]);
    },
    judgeFlight: (facts, _, flight, needs) => {
      if (facts.aircraft.particulars.ifrNavigation !== 'either' || flight.rules === 'vfr') return [];
      const state = (what: Reliance['says']) => remedy('state-for-flight', DISPATCHER, what);
      if (flight.reliesOnVor === false && flight.reliesOnDatabase === false) {
        return [
          constraint({
            key: 'neither',
            certainty: 'unknown',
            source,
            reason: { code: 'flight-leaves-open', what: 'navigation' },
            closes: needs,
            remedies: [state('reliesOnVor'), state('reliesOnDatabase')],
            condition: true,
          }),
        ];
      }
      if (flight[says] === false) return [];
      return find(facts, needs)
        .constraints.filter((one) => meets(one, flight))
        .map((one) => ({
          ...one,
          begins: RECORDED,
          remedies: flight[says] === null ? [...one.remedies, state(says)] : one.remedies,
        }));
    },
  };
}
