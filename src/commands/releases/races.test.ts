// Releases against everything that may come at the same moment. GROVAL_RACES asks for more than a quick look.
import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { decide } from '@/core/decision/decide';
import { asReleased } from '@/core/metering/leaving';
import { presentFor } from '@/core/records/facts';
import { loadAircraft } from '@/db/aircraft/aircraft-facts';
import { readClub } from '@/db/club/clubs';
import { findPlanned } from '@/db/flights/planned-flights';
import { releasesOfFlight } from '@/db/releases/flight-releases';
import { againstRelease, whyOver } from '@/explain/flight-release';
import { good } from '@/testing/database';
import { block, club, freshDesk, inTx, later, planned, revision, start, text } from '@/testing/dispatch';
import { newNick } from '@/testing/entries';
import { release } from '@/testing/flight-release';
import { checkOut } from '../flights/check-out';
import { restrict } from '../flights/dispatch-restriction';
import { reportFinding } from '../findings/report-finding';
import { withdrawRelease } from './release-flight';

const RACES = Number(process.env['GROVAL_RACES'] ?? 12);

/** A number from 0 to below `most`, by a generator that gives the same again. */
function random(seed: number) {
  let state = seed * 2_654_435_761 + 1;
  return (most: number) => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
    return Math.floor((state / 2_147_483_648) * most);
  };
}

const out = (flightId: string, seenRevision: number) =>
  checkOut(club.ports, club.actor('dispatcher'), {
    flightId,
    aircraftId: club.aircraftId,
    seenRevision,
    readings: [{ dial: block, shown: text(start) }],
    accepted: [],
    fuelAboard: [],
    oilAboard: null,
    remarks: null,
  });
/** What may come at the same moment. */
const RIVALS = {
  finding: () => reportFinding(club.ports, club.actor('renter'), newNick(club)),
  restriction: () =>
    restrict(club.ports, club.actor('instructor'), {
      restrictionId: randomUUID(),
      aircraftId: club.aircraftId,
      why: 'reported by telephone',
      closes: ['night'],
      until: null,
    }),
  'another release': (flight: string) => release(club.ports, club.actor('instructor'), flight),
  withdrawal: async (flight: string) => {
    const [last] = await inTx((tx) => releasesOfFlight(tx, flight));
    return withdrawRelease(club.ports, club.actor('dispatcher'), {
      aircraftId: club.aircraftId,
      releaseId: last?.id ?? randomUUID(),
      why: 'not today',
    });
  },
  'check-out': async (flight: string) => out(flight, await revision()),
} as const;
type Rival = keyof typeof RIVALS;

/** What is not consistent with what is on record at the end; empty where all is. */
async function faults(flight: string): Promise<readonly string[]> {
  return inTx(async (tx) => {
    const all = await releasesOfFlight(tx, flight);
    const open = all.filter(({ end }) => end === null);
    const found = open.length > 1 ? ['two releases of one flight go on'] : [];
    const [stored] = await loadAircraft(tx, club.place, club.aircraftId, true);
    const flightNow = await findPlanned(tx, flight);
    if (stored === undefined || flightNow === undefined) return ['no aircraft, or no flight'];
    const present = presentFor(stored.facts, club.ports.now());
    const { packs, place } = await readClub(tx, club.clubId);
    const decision = decide(
      stored.facts,
      packs,
      flightNow.left ? null : asReleased(flightNow.flight, present),
      present,
    );
    for (const one of open)
      if (
        whyOver(one, present, place.zone) === null
        && againstRelease(one.terms, decision, flightNow.left, place.zone).length > 0
      )
        found.push('a release goes on against what is on record');
    if (flightNow.left && all.length === 0) found.push('a flight left without a release');
    return found;
  });
}

describe('a release and what comes at the same moment', () => {
  it(
    'end consistently, whatever comes first',
    async () => {
      const counts: Record<string, number> = {};
      const count = (what: string) => {
        counts[what] = (counts[what] ?? 0) + 1;
      };
      for (let race = 0; race < RACES; race += 1) {
        await freshDesk();
        const pick = random(race + 1);
        const flight = await planned();
        later(1 + pick(60));
        // Half of them begin with a release that was signed before, and some at the end of the day on which it ends.
        if (pick(2) === 0) good(await release(club.ports, club.actor('dispatcher'), flight));
        if (pick(6) === 0) later(15 * 3600);
        const names = Object.keys(RIVALS) as Rival[];
        const rivals = Array.from({ length: 1 + pick(3) }, () => names[pick(names.length)] ?? 'finding');
        const [signed, ...others] = await Promise.all([
          release(club.ports, club.actor('dispatcher'), flight),
          ...rivals.map((name) => RIVALS[name](flight)),
        ]);
        count(signed.ok ? 'signed' : `refused: ${signed.refusal.code}`);
        others.forEach((outcome, at) => {
          count(`${rivals[at] ?? ''} ${outcome.ok ? 'came' : 'was refused'}`);
        });
        for (const { end } of await inTx((tx) => releasesOfFlight(tx, flight)))
          count(`release ${end?.why ?? 'goes on'}`);
        expect([race, rivals, await faults(flight)]).toEqual([race, rivals, []]);
      }
      // Shown with the test, so that somebody sees that each of them happens.
      process.stdout.write(`${RACES} races: ${JSON.stringify(counts)}\n`);
      expect(counts['signed']).toBeGreaterThan(0);
    },
    20_000 + RACES * 4000,
  );
});
