// What is sent again since the answer got lost: the same is recorded once, and anything else is never taken for it.
import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import type { DocumentCheckRound } from '@/contracts/documents/document-check';
import type { Finding } from '@/contracts/findings/report-finding';
import type { CheckIn } from '@/contracts/flights/dispatch';
import type { SignedEntry } from '@/contracts/maintenance/new-entry';
import { hours } from '@/core/quantities/hours';
import { volume } from '@/core/quantities/volume';
import { civilDate } from '@/core/time/civil-date';
import { addSeconds } from '@/core/time/instant';
import { wallClock } from '@/core/time/zone';
import { inClub } from '@/db/kernel/club-transaction';
import { folder } from '@/queries/aircraft/folder';
import { line } from '@/queries/aircraft/line';
import { bad, good, PASSWORD, testClub } from '@/testing/database';
import { NO_EFFECTS } from '@/testing/work';
import { plannedFlight } from '@/testing/planned-flight';
import { checkDocuments } from '../documents/check-documents';
import { reportFinding } from '../findings/report-finding';
import { returnToService } from '../findings/return-to-service';
import { checkIn } from '../flights/check-in';
import { releaseAndLeave } from '@/testing/flight-release';
import { recordEntry } from '../maintenance/record-entry';
import { addDial } from '../meters/dials';

let club: Awaited<ReturnType<typeof testClub>>;
beforeEach(async () => {
  club = await testClub();
});

const row = async () =>
  (await inClub(club.ports.db, club.clubId, (tx) => line(tx, club.clubId, club.ports.now(), true))).rows[0];
const later = (seconds: number) => {
  club.ports.at = addSeconds(club.ports.at, seconds);
};
const STANDS = {
  code: 'conflict',
  message: expect.stringContaining('that stands. What you changed was not recorded') as unknown,
};

/** Fuel in all tanks together, in US gallons. */
const inAll = (amount: string) => ({
  tank: null,
  measured: { amount, unit: 'US gal' as const, volume: volume(amount, 'US gal') },
});

describe('a round through the documents whose answer got lost', () => {
  const paper = (
    kind: DocumentCheckRound['documentChecks'][number]['kind'],
    aboard = true,
  ): DocumentCheckRound['documentChecks'][number] => ({
    documentCheckId: randomUUID(),
    kind,
    keptWhere: 'pouch',
    number: null,
    aboard,
    legible: aboard ? true : null,
    displayed: kind === 'airworthiness-certificate' ? true : null,
    registrationShown: kind === 'airworthiness-certificate' ? 'N02TB' : null,
    serialShown: null,
    issuedOn: null,
    printedExpiry: null,
    form: null,
    revision: null,
    placards: null,
    datedOn: null,
    tankFitted: null,
    temporary: null,
  });
  const send = (documentChecks: DocumentCheckRound['documentChecks']) =>
    checkDocuments(club.ports, club.actor('student'), {
      aircraftId: club.aircraftId,
      seenAt: club.ports.now(),
      documentChecks,
    });
  it('is recorded once, whenever it is sent again', async () => {
    const documentChecks = [paper('airworthiness-certificate')];
    good(await send(documentChecks));
    later(60);
    good(await send(documentChecks));
    expect(await row()).toMatchObject({ verdict: 'Released', revision: 2 });
  });
  it('with a document more that is missing is not taken as received: that one would go unseen', async () => {
    const first = paper('airworthiness-certificate');
    const missing = paper('weight-and-balance', false);
    good(await send([first]));
    for (const again of [[first, missing], [missing, first], [{ ...first, displayed: false }]])
      expect(bad(await send(again))).toMatchObject(STANDS);
    // A phone sends what was tapped again as another round.
    good(
      await send([
        { ...first, documentCheckId: randomUUID() },
        { ...missing, documentCheckId: randomUUID() },
      ]),
    );
    expect((await row())?.verdict).toBe('Grounded');
  });
});

describe('a flight taken back whose answer got lost', () => {
  const block = randomUUID();
  async function out(): Promise<CheckIn> {
    const shown = '4150.3';
    good(
      await addDial(club.ports, club.actor('mechanic'), {
        dialId: block,
        aircraftId: club.aircraftId,
        seenRevision: 1,
        name: 'Block meter',
        unit: 'h',
        bills: true,
        counts: [{ meter: 'time-in-service', standsAt: shown }],
        shows: shown,
        wrapsAt: null,
      }),
    );
    const [flightId, starts] = [randomUUID(), addSeconds(club.ports.now(), 600)];
    await plannedFlight(club, {}, { flightId: flightId, starts });
    const leaving = {
      flightId,
      aircraftId: club.aircraftId,
      seenRevision: (await row())?.revision ?? 0,
      readings: [{ dial: block, shown }],
      accepted: [],
      fuelAboard: [inAll('24')],
      oilAboard: null,
      remarks: null,
    };
    good(await releaseAndLeave(club.ports, club.actor('dispatcher'), leaving));
    good(await releaseAndLeave(club.ports, club.actor('dispatcher'), leaving));
    expect(
      bad(
        await releaseAndLeave(club.ports, club.actor('dispatcher'), {
          ...leaving,
          fuelAboard: [inAll('12')],
        }),
      ),
    ).toMatchObject(STANDS);
    later(5400);
    const { date, hour, minute } = wallClock(club.ports.now(), club.place.zone);
    return {
      flightId,
      aircraftId: club.aircraftId,
      at: { date, clock: `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}` },
      readings: [{ dial: block, shown: '4151.3' }],
      accepted: [],
      airborne: null,
      landings: 2,
      towLaunches: null,
      fuelAdded: null,
      oilAdded: null,
      remarks: { words: 'Left brake soft', noDefect: true },
      defects: [],
    };
  }
  it('is recorded once, and what became a defect meanwhile is not lost with the answer', async () => {
    const back = await out();
    const send = (change: Partial<CheckIn> = {}) =>
      checkIn(club.ports, club.actor('dispatcher'), { ...back, ...change });
    const first = good(await send());
    later(30);
    expect(good(await send())).toEqual(first);
    const changes: readonly Partial<CheckIn>[] = [
      {
        defects: [{ findingId: randomUUID(), what: 'Left brake soft' }],
        remarks: { words: 'Left brake soft', noDefect: false },
      },
      { remarks: { words: 'Left brake soft, pulls', noDefect: true } },
      { landings: 3 },
      { readings: [{ dial: block, shown: '4151.4' }] },
    ];
    for (const change of changes) expect(bad(await send(change))).toMatchObject(STANDS);
    // Somebody else who takes the same flight back is told that it is back.
    expect(bad(await checkIn(club.ports, club.actor('instructor'), back))).toMatchObject({
      code: 'conflict',
      message: expect.stringContaining('was checked in already') as unknown,
    });
  });
});

describe('what is signed and found', () => {
  it('an entry whose reading was changed after its answer got lost is not taken as signed', async () => {
    const entry: SignedEntry = {
      entryId: randomUUID(),
      aircraftId: club.aircraftId,
      seenRevision: 1,
      draft: {
        of: 'inspection',
        kind: 'hundred-hour',
        completedOn: civilDate('2026-11-24'),
        timeInService: hours('4150.3'),
        outcome: 'approved',
        excess: null,
        testedToFeet: null,
      },
      description: 'Inspected.',
      signer: { by: 'own-certificate', certificateId: club.certificateOf('mechanic') },
      aboveMeter: false,
      password: PASSWORD,
    };
    const sign = (change: Partial<SignedEntry> = {}) =>
      recordEntry(club.ports, club.actor('mechanic'), { ...entry, ...change });
    good(await sign());
    // The page followed the change meanwhile, and the password was typed again.
    good(await sign({ seenRevision: 2 }));
    expect(
      bad(
        await sign({
          draft: { ...entry.draft, outcome: 'discrepancies-listed' } as SignedEntry['draft'],
          seenRevision: 1,
        }),
      ),
    ).toMatchObject({ ...STANDS, revision: 2, changes: [{ act: 'record-entry' }] });
    expect(
      (
        await inClub(club.ports.db, club.clubId, (tx) =>
          folder(tx, club.actor('mechanic'), 'N02TB', club.ports.now()),
        )
      )?.logbook.filter(({ id }) => id === entry.entryId),
    ).toHaveLength(1);
  });
  it('a finding that became worse, and a repair of another kind', async () => {
    const finding: Finding = {
      findingId: randomUUID(),
      aircraftId: club.aircraftId,
      station: 'propeller',
      side: null,
      step: null,
      asListed: false,
      what: 'Scratch',
      looks: 'looks-small',
      foundAt: club.ports.now(),
    };
    const report = (change: Partial<Finding> = {}) =>
      reportFinding(club.ports, club.actor('student'), { ...finding, ...change });
    expect([good(await report()).isNew, good(await report()).isNew]).toEqual([true, false]);
    for (const change of [{ looks: 'would-not-fly' }, { what: 'Crack' }] as const)
      expect(bad(await report(change))).toMatchObject(STANDS);
    const repair = {
      rectificationId: randomUUID(),
      discrepancyId: finding.findingId,
      seenRevision: (await row())?.revision ?? 0,
      work: 'repaired' as const,
      effects: NO_EFFECTS,
      workId: randomUUID(),
      description: 'Dressed.',
      completedOn: civilDate('2026-11-24'),
      certificateId: club.certificateOf('mechanic'),
      password: PASSWORD,
    };
    const close = (change: object = {}) =>
      returnToService(club.ports, club.actor('mechanic'), { ...repair, ...change });
    expect([good(await close()).isNew, good(await close()).isNew]).toEqual([true, false]);
    expect(bad(await close({ work: 'no-fault-found' }))).toMatchObject(STANDS);
  });
});
