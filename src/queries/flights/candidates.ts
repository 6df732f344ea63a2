import { compareTexts } from '@/core/order';
import { decidePrepared } from '@/core/decision/decide';
import type { Decision, FlightAnswer } from '@/core/decision/decision';
import type { PlannedFlight } from '@/core/records/flights/planned-flight';
import type { Instant } from '@/core/time/instant';
import type { Club } from '@/db/club/clubs';
import { flightsBetween, type StoredFlight } from '@/db/flights/planned-flights';
import type { ClubTransaction } from '@/db/kernel/connection';
import { keptFacts } from '../kernel/kept-facts';
import { preparedFor, rulesOf } from '../kernel/prepared';

/** An aircraft for a flight: what it would be answered. */
export interface Candidate {
  readonly aircraftId: string;
  readonly registration: string;
  readonly answer: FlightAnswer['answer'];
  /** Another flight is planned then. */
  readonly taken: boolean;
}

/** Those that can go before those that can after a step, the free before the taken; then by registration. */
const RANK: Readonly<Record<FlightAnswer['answer'], number>> = { yes: 0, 'yes-after': 1, no: 4 };
const rankOf = ({ answer, taken }: Candidate): number => RANK[answer] + (taken && answer !== 'no' ? 2 : 0);

/** The whole fleet for one flight. */
export interface Judged {
  /** The decision of each aircraft about that flight, by its id. */
  readonly decisions: ReadonlyMap<string, Decision>;
  /** Flights that are planned then, but the one that is asked about. */
  readonly near: readonly StoredFlight[];
  /** Every aircraft, those first that can take it and are free then. */
  readonly fleet: readonly Candidate[];
}

/**
 * Decides a flight for every aircraft of the club.
 * @param itself the planned flight that is asked about, which stands in its own way nowhere; null for a new
 * one
 */
export async function judgeFleet(
  tx: ClubTransaction,
  club: Club,
  flight: PlannedFlight,
  itself: string | null,
  now: Instant,
): Promise<Judged> {
  const stored = await keptFacts(tx, club, null);
  const rules = rulesOf(club);
  const near = (await flightsBetween(tx, flight.starts, flight.ends, null)).filter(
    (one) => one.flight.id !== itself,
  );
  const decisions = new Map(
    stored.map((one) => {
      const { prepared, present } = preparedFor(one, club, rules, now);
      return [one.aircraftId, decidePrepared(prepared, flight, present)] as const;
    }),
  );
  const fleet = [...decisions].flatMap(
    ([aircraftId, { registration, flight: told }]): readonly Candidate[] =>
      told === null
        ? []
        : [
            {
              aircraftId,
              registration,
              answer: told.answer,
              taken: near.some((one) => one.aircraftId === aircraftId),
            },
          ],
  );
  return {
    decisions,
    near,
    fleet: fleet.sort((a, b) => rankOf(a) - rankOf(b) || compareTexts(a.registration, b.registration)),
  };
}

/** So many are offered where an aircraft cannot take a flight. */
const MOST_OTHERS = 4;

/** Aircraft that can take a flight as it is and are free then, but one. */
export const canTakeIt = (fleet: readonly Candidate[], but: string): readonly Candidate[] =>
  fleet
    .filter(({ aircraftId, answer, taken }) => aircraftId !== but && answer === 'yes' && !taken)
    .slice(0, MOST_OTHERS);
