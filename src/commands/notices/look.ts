import { decidePrepared } from '@/core/decision/decide';
import { answerFlights } from '@/core/decision/planned-flight';
import { prepare } from '@/core/decision/prepare';
import { authorityFor } from '@/core/records/club/certificate';
import { presentFor } from '@/core/records/facts';
import { stateOfFinding, type FindingState } from '@/core/records/findings/life';
import { findingNotices, flightNotices, releaseNotices } from '@/core/records/notices/notice';
import { authorityOf } from '@/core/rules/register';
import { addSeconds, type Instant } from '@/core/time/instant';
import { loadReadable } from '@/db/aircraft/aircraft-facts';
import { readClub } from '@/db/club/clubs';
import { flightsBetween } from '@/db/flights/planned-flights';
import { inClub } from '@/db/kernel/club-transaction';
import type { ClubTransaction } from '@/db/kernel/connection';
import {
  findingsDealtWith,
  insertNotices,
  keepLook,
  lockNotices,
  revisionOf,
  timesTold,
  voidReleases,
} from '@/db/notices/notices';
import { tellFlight } from '@/explain/flight';
import { describeFindingNotice, describeFlightNotice, describeVoidRelease } from '@/explain/notices';
import type { Ports } from '../kernel/command';

/** Flights that start within so many seconds are told of: a week. */
export const AHEAD_S = 7 * 86_400;
/** What was done about a finding longer ago than this was told already, or is no news: two days. */
const NEWS_S = 2 * 86_400;

/** What there is to know of an aircraft for its notices. */
async function readAll(tx: ClubTransaction, clubId: string, aircraftId: string, now: Instant) {
  const club = await readClub(tx, clubId);
  const [stored] = await loadReadable(tx, club.place, aircraftId, 'present');
  if (stored === undefined) return null;
  const present = presentFor(stored.facts, now);
  const prepared = prepare(stored.facts, club.packs, present);
  return { club, stored, present, prepared, decision: decidePrepared(prepared, null, present) };
}

/**
 * Looks at one aircraft for what is to be told: to those whose planned flight it is no longer available for,
 * or is again, and to those whose finding somebody dealt with. Whatever was told is not told again, however
 * often this runs and wherever.
 */
export async function lookForNotices(
  ports: Pick<Ports, 'db' | 'now' | 'newId'>,
  clubId: string,
  aircraftId: string,
): Promise<void> {
  const now = ports.now();
  await inClub(ports.db, clubId, async (tx) => {
    await lockNotices(tx, aircraftId);
    // The revision is read before the records: what comes in between makes the next look.
    const revision = await revisionOf(tx, aircraftId);
    const all = await readAll(tx, clubId, aircraftId, now);
    if (all === null || revision === null) return;
    const { club, prepared, decision, present } = all;
    const { zone } = club.place;
    const { registration } = decision;
    const flights = (await flightsBetween(tx, present, addSeconds(present, AHEAD_S), aircraftId)).filter(
      ({ left, flight }) => !left && flight.starts > present,
    );
    const answers = new Map(
      answerFlights(
        prepared,
        decision,
        flights.map(({ flight }) => flight),
      ).map((answer) => [answer.flight, answer] as const),
    );
    const waiting = flights.flatMap(({ flight, personId, personName, plannedBy }) => {
      const answer = answers.get(flight.id);
      return answer === undefined
        ? []
        : [
            {
              flightId: flight.id,
              // Of a guest’s flight the person is told who planned it.
              personId: personId ?? plannedBy,
              whose: personId === null ? personName : null,
              starts: flight.starts,
              isAvailable: answer.answer !== 'no',
              words: tellFlight(answer, decision, zone),
            },
          ];
    });
    const aboutFlights = flightNotices(waiting, await timesTold(tx, aircraftId), present).map((notice) => {
      const flight = waiting.find(({ flightId }) => flightId === notice.about);
      const kind = notice.kind === 'flight-not-available' ? notice.kind : 'flight-available';
      return {
        ...notice,
        ...describeFlightNotice(
          kind,
          registration,
          { starts: flight?.starts ?? present, whose: flight?.whose ?? null },
          flight?.words ?? '',
          zone,
        ),
        path: `/aircraft/${registration}`,
      };
    });
    const authority = authorityFor(authorityOf(club.packs), prepared.facts.aircraft);
    const states = new Map<string, FindingState>(
      prepared.facts.discrepancies.map((one) => [one.id, stateOfFinding(one, zone, authority)]),
    );
    // Where records cannot be read nobody knows what became of a finding.
    const dealtWith =
      prepared.facts.unreadable === undefined
        ? await findingsDealtWith(tx, aircraftId, addSeconds(now, -NEWS_S))
        : [];
    const aboutFindings = findingNotices(
      dealtWith.map(({ findingId, personId, last }) => ({
        findingId,
        personId,
        // What is closed and of the past is not loaded with what speaks now.
        state: states.get(findingId) ?? 'closed',
        byPersonId: last?.by ?? null,
      })),
    ).map((notice) => ({
      ...notice,
      ...describeFindingNotice(
        states.get(notice.about) ?? 'closed',
        registration,
        dealtWith.find(({ findingId }) => findingId === notice.about)?.what ?? '',
      ),
      path: `/aircraft/${registration}#open-items`,
    }));
    const voided = await voidReleases(tx, aircraftId, addSeconds(now, -NEWS_S));
    const aboutReleases = releaseNotices(voided).map((notice) => {
      const release = voided.find(({ releaseId }) => releaseId === notice.about);
      return {
        ...notice,
        ...describeVoidRelease(registration, release?.words ?? []),
        path: `/dispatch/${release?.flightId ?? ''}`,
      };
    });
    await insertNotices(
      tx,
      clubId,
      [...aboutReleases, ...aboutFlights, ...aboutFindings].map((notice) => ({
        ...notice,
        id: ports.newId(),
        aircraftId,
      })),
      now,
    );
    await keepLook(tx, clubId, aircraftId, revision, now);
  });
}
