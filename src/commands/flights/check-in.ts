import type { CheckIn } from '@/contracts/flights/dispatch';
import { readOnReturn, type Billed } from '@/core/metering/check-in';
import { reportText, type PilotReport } from '@/core/records/flights/pilot-report';
import { knownAt, presentFor } from '@/core/records/facts';
import { authorityOf } from '@/core/rules/register';
import { instantText, type Instant } from '@/core/time/instant';
import { momentsAt } from '@/core/time/zone';
import { classifyFinding } from '@/core/walkround/classify';
import { currentDials } from '@/db/meters/dials';
import { writeMeterChanges } from '@/db/meters/write-changes';
import { insertDiscrepancyOnce } from '@/db/findings/discrepancies';
import { findFlight, latestFlights } from '@/db/flights/flights';
import { insertReturn } from '@/db/flights/insert-flights';
import { insertOthers } from '@/db/aircraft/other-records';
import { type OtherRecord } from '@/db/aircraft/other-kinds';
import { momentText } from '@/explain/formats';
import { changeAircraft } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';
import { refuseReadings, withFigure } from '../meters/meter-words';
import { asWrapped } from '../meters/write-panel';

const MINUTE = 60_000;
/** What is usual between two dials is seen on so many of the last flights. */
const FLIGHTS_COMPARED = 60;

/** What a flight is billed by, in seconds, and from where it comes. Never an invoice. */
export interface Billing {
  readonly seconds: number;
  readonly from: string;
}

/** Where no meter shows the time in service the pilot says how long the aircraft was in the air. */
const refuseAirborne = (trouble: 'missing' | 'longer-than-away', registration: string): Refused =>
  trouble === 'missing'
    ? new Refused({
        code: 'invalid',
        message: `No meter of ${registration} shows its time in service. Say how long it was in the air.`,
        problems: [{ path: 'airborne', message: 'needed here' }],
      })
    : new Refused({
        code: 'invalid',
        message: 'It cannot have been in the air for longer than it was away. Correct one of both.',
        problems: [{ path: 'airborne', message: 'at most the time away' }],
      });

const billingOf = (billed: Billed | null): Billing | null =>
  billed === null
    ? null
    : {
        seconds: billed.seconds,
        from: billed.by === 'clock' ? 'the clock, from leaving to coming back' : billed.by.dial,
      };

/**
 * Takes an aircraft back: meters, landings, fuel, oil, what the pilot reports, defects found in flight. What does not add up is asked again
 * before anything is written. Every number moves what comes due.
 */
export async function checkIn(
  ports: Ports,
  actor: Actor,
  entry: CheckIn,
): Promise<
  Outcome<{ readonly flightId: string; readonly billing: Billing | null; readonly revision: number }>
> {
  const denied = denial(actor, 'check-in');
  if (denied !== null) return refused(denied);
  return changeAircraft(
    ports,
    actor,
    entry.aircraftId,
    'check-in',
    null,
    async ({ tx, club, stored, registration, recordedAt }) => {
      const { zone } = club.place;
      const flight = await findFlight(tx, entry.flightId);
      if (flight?.aircraftId !== entry.aircraftId)
        throw new Refused({
          code: 'not-found',
          message: `${registration} did not leave for this flight. Open the dispatch page again.`,
        });
      if (flight.returned !== null)
        throw new Refused({
          code: 'conflict',
          message: `${registration} was checked in already, as back at ${momentText(flight.returned.at, club.place.zone)}. Nothing was recorded; what you wrote is kept. If that entry is wrong, correct it in the folder.`,
          revision: stored.revision,
          changes: [],
        });
      // Where the clock is set back one time is two moments: the later one that can be.
      const moment = momentsAt(entry.at.date, entry.at.clock, zone)
        .filter((at) => at <= recordedAt && at >= Math.floor(flight.leftAt / MINUTE) * MINUTE)
        .at(-1);
      if (moment === undefined) {
        throw new Refused({
          code: 'invalid',
          message: `It left at ${momentText(flight.leftAt, club.place.zone)} and cannot have come back before that or later than now. Correct the time.`,
          problems: [{ path: 'at', message: 'between leaving and now' }],
        });
      }
      // Clocks are read to the minute: back within the minute in which it left is back when it left.
      const backAt = Math.max(moment, flight.leftAt) as Instant;
      const dials = await currentDials(tx, entry.aircraftId);
      const known = knownAt(stored.facts, presentFor(stored.facts, recordedAt), authorityOf(club.packs));
      const back = readOnReturn(
        ports.newId,
        known.accounted,
        dials,
        flight,
        await latestFlights(tx, entry.aircraftId, FLIGHTS_COMPARED),
        entry,
        backAt,
        recordedAt,
      );
      if ('asks' in back || 'belowOffset' in back) throw refuseReadings(back);
      if ('airborne' in back) throw refuseAirborne(back.airborne, registration);
      const billing = billingOf(back.billed);
      const report: PilotReport =
        entry.remarks === 'nothing-to-report'
          ? { kind: 'nothing-to-report' }
          : { kind: 'words', words: entry.remarks.words };
      const amount = (added: CheckIn['fuelAdded']) =>
        added === null
          ? null
          : `${added.amount} ${added.unit}${added.grade === null ? '' : `, ${added.grade}`}`;
      await insertReturn(tx, actor.clubId, entry.aircraftId, entry.flightId, actor.personId, {
        readings: back.dials,
        landings: entry.landings,
        towLaunches: entry.towLaunches,
        billed: billing?.seconds ?? null,
        billedFrom: billing?.from ?? null,
        fuelAdded: amount(entry.fuelAdded),
        oilAdded: amount(entry.oilAdded),
        report,
        at: backAt,
        recordedAt,
      });
      await writeMeterChanges(tx, actor.clubId, entry.aircraftId, actor, recordedAt, {
        readings: back.readings.map(withFigure),
        dials: asWrapped(back.wrapped),
      });
      const service = back.timeInService;
      await insertOthers(
        tx,
        actor.clubId,
        entry.aircraftId,
        actor.personId,
        (
          [
            ['fuel', entry.fuelAdded],
            ['oil', entry.oilAdded],
          ] as const
        ).flatMap(([what, added]): readonly OtherRecord[] => {
          if (added === null || added.volume === 0) return [];
          const id = ports.newId();
          return [
            {
              id,
              kind: 'uplift',
              happenedAt: backAt,
              recordedAt,
              body: {
                id,
                happenedAt: backAt,
                recordedAt,
                what,
                added: added.volume,
                grade: added.grade,
                timeInService: service,
              },
            },
          ];
        }),
      );
      for (const { findingId, what } of entry.defects) {
        // What was felt in the air is on no list: a mechanic looks first.
        const { classification, closesUses, equipment } = classifyFinding(null, false, 'would-not-fly');
        const written = await insertDiscrepancyOnce(tx, {
          clubId: actor.clubId,
          aircraftId: entry.aircraftId,
          discrepancyId: findingId,
          station: 'In flight',
          side: null,
          step: null,
          asListed: false,
          what,
          looks: 'would-not-fly',
          foundBy: { personId: actor.personId, name: flight.personName },
          classification,
          closesUses,
          equipment,
          happenedAt: backAt,
          recordedAt,
        });
        // Answered as received, the defect would be lost: another finding stands under its id.
        if (written === 'there-already')
          throw new Refused({
            code: 'invalid',
            message: `The defect '${what.slice(0, 80)}' has an id that another finding has already, so nothing was recorded. What you wrote is kept; remove the defect, enter it again, and check the aircraft in.`,
            problems: [{ path: 'defects', message: 'its id is in use' }],
          });
      }
      return {
        value: { flightId: entry.flightId, billing },
        moved: { out: [], back: [entry.flightId] },
        ledger: {
          id: entry.flightId,
          person: flight.personName,
          back: instantText(backAt),
          zone,
          readings: back.dials.map(({ name, shown: text }) => ({ name, shown: text })),
          landings: entry.landings,
          towLaunches: entry.towLaunches,
          fuelAdded: amount(entry.fuelAdded),
          oilAdded: amount(entry.oilAdded),
          remarks: reportText(report),
          defects: entry.defects.map(({ findingId, what }) => ({ id: findingId, what })),
          billed: billing === null ? null : { seconds: billing.seconds, from: billing.from },
        },
      };
    },
    {
      request: entry,
      found: async (tx) => {
        const before = await findFlight(tx, entry.flightId);
        if (before?.returned?.recordedBy !== actor.personId) return null;
        const { billed, billedFrom } = before.returned;
        return {
          flightId: entry.flightId,
          billing: billed === null || billedFrom === null ? null : { seconds: billed, from: billedFrom },
        };
      },
    },
  );
}
