import type { Candidate } from '@/queries/flights/candidates';
import type { DayPlan, DraftAnswer } from '@/queries/flights/plan';

/** What an aircraft would be answered, in the list from which one is chosen. */
const WORDS = { yes: 'can go', 'yes-after': 'can go after a step', no: 'cannot go' } as const;

/** An aircraft in that list. */
export interface Choice {
  readonly aircraftId: string;
  readonly registration: string;
  readonly typeName: string;
  readonly words: string;
}

const wordsOf = ({ answer, taken }: Candidate): string =>
  taken && answer !== 'no' ? `${WORDS[answer]}, planned then already` : WORDS[answer];

/** The fleet to choose from: those first that can take this flight and are free then; before the flight is complete, by registration with how each stands. */
export function ranked(
  plan: Pick<DayPlan, 'aircraft'>,
  answer: Pick<DraftAnswer, 'fleet'> | undefined,
): readonly Choice[] {
  const as = (
    { aircraftId, registration, typeName }: DayPlan['aircraft'][number],
    words: string,
  ): Choice => ({
    aircraftId,
    registration,
    typeName,
    words,
  });
  if (answer === undefined || answer.fleet.length === 0)
    return plan.aircraft.map((one) => as(one, one.verdict));
  const judged = answer.fleet.flatMap((candidate) => {
    const one = plan.aircraft.find(({ aircraftId }) => aircraftId === candidate.aircraftId);
    return one === undefined ? [] : [as(one, wordsOf(candidate))];
  });
  // One that came while it was typed is not left out of the list.
  const others = plan.aircraft.filter(
    ({ aircraftId }) => !judged.some((choice) => choice.aircraftId === aircraftId),
  );
  return [...judged, ...others.map((one) => as(one, one.verdict))];
}

/** So many are offered beside an answer. */
const MOST_OTHERS = 4;

/** Aircraft that could take the flight as it is, where the chosen one cannot or is planned then already. */
export function othersFor(
  aircraftId: string,
  answer: Pick<DraftAnswer, 'answer' | 'clashes' | 'fleet'> | undefined,
): readonly Candidate[] {
  if (answer === undefined || (answer.answer === 'yes' && answer.clashes.length === 0)) return [];
  return answer.fleet
    .filter((one) => one.aircraftId !== aircraftId && one.answer === 'yes' && !one.taken)
    .slice(0, MOST_OTHERS);
}
