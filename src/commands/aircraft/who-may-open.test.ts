import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import type { DocumentCheckRound } from '@/contracts/documents/document-check';
import type { SignedEntry } from '@/contracts/maintenance/new-entry';
import { decide } from '@/core/decision/decide';
import { countUses, isWithin, type UseSet } from '@/core/envelope/use-set';
import { hours } from '@/core/quantities/hours';
import { DOCUMENT_KINDS, latestDocumentChecks } from '@/core/records/documents/document';
import { presentFor } from '@/core/records/facts';
import { civilDate } from '@/core/time/civil-date';
import { addSeconds } from '@/core/time/instant';
import { documentsOf } from '@/db/aircraft/aircraft-documents';
import { loadAircraft } from '@/db/aircraft/aircraft-facts';
import { readClub } from '@/db/club/clubs';
import { latestFlights } from '@/db/flights/flights';
import { inClub } from '@/db/kernel/club-transaction';
import { bad, good, PASSWORD, testClub } from '@/testing/database';
import { PLAIN_RENTAL } from '@/testing/flight-draft';
import { changeRoles } from '../club/members';
import { checkDocuments } from '../documents/check-documents';
import { vouch } from '../documents/vouch';
import { reportFinding } from '../findings/report-finding';
import { checkIn } from '../flights/check-in';
import { releaseAndLeave } from '@/testing/flight-release';
import { planOrMove } from '../flights/planning';
import { recordEntry } from '../maintenance/record-entry';
import { addDial } from '../meters/dials';
import { readMeters } from '../meters/read-meters';

let club: Awaited<ReturnType<typeof testClub>>;
beforeEach(async () => {
  club = await testClub();
});
type Role = Parameters<typeof club.actor>[0];

/** What the aircraft is available for now, as the database has it. */
const open = (): Promise<UseSet> =>
  inClub(club.ports.db, club.clubId, async (tx) => {
    const { place, packs } = await readClub(tx, club.clubId);
    const [stored] = await loadAircraft(tx, place, club.aircraftId, true);
    if (stored === undefined) throw new Error('no aircraft');
    return decide(stored.facts, packs, null, presentFor(stored.facts, club.ports.now())).open;
  });
const revision = async () =>
  (
    await inClub(club.ports.db, club.clubId, (tx) =>
      tx.selectFrom('aircraft').select('revision').executeTakeFirstOrThrow(),
    )
  ).revision;

type DocumentCheck = DocumentCheckRound['documentChecks'][number];
const NOTHING: Omit<DocumentCheck, 'kind' | 'documentCheckId'> = {
  keptWhere: null,
  number: null,
  aboard: true,
  legible: true,
  displayed: null,
  registrationShown: null,
  serialShown: null,
  issuedOn: null,
  printedExpiry: null,
  form: null,
  revision: null,
  placards: null,
  datedOn: null,
  tankFitted: null,
  temporary: null,
};
const sight = (role: Role, documentCheck: Pick<DocumentCheck, 'kind'> & Partial<DocumentCheck>) =>
  checkDocuments(club.ports, club.actor(role), {
    aircraftId: club.aircraftId,
    seenAt: club.ports.now(),
    documentChecks: [{ ...NOTHING, documentCheckId: randomUUID(), ...documentCheck }],
  });
const registered = {
  kind: 'registration-certificate' as const,
  registrationShown: 'N02TB',
  issuedOn: civilDate('2025-05-14'),
};
const annual = (
  entryId: string,
  signer: SignedEntry['signer'],
  change: Partial<SignedEntry> = {},
): SignedEntry => ({
  entryId,
  aircraftId: club.aircraftId,
  seenRevision: 1,
  draft: {
    of: 'inspection',
    kind: 'annual',
    completedOn: civilDate('2026-11-24'),
    timeInService: hours('4150.3'),
    outcome: 'approved',
    excess: null,
    testedToFeet: null,
  },
  description: 'Found airworthy',
  signer,
  aboveMeter: false,
  password: PASSWORD,
  ...change,
});
const INVENTED: SignedEntry['signer'] = {
  by: 'copied-from-logbook',
  name: 'Nobody At All',
  kind: 'inspection-authorisation',
  number: 'IA-9',
  validFrom: civilDate('2010-01-01'),
  validUntil: 'no-expiry',
};

describe('a member alone', () => {
  const wrongs: readonly (readonly [string, Pick<DocumentCheck, 'kind'> & Partial<DocumentCheck>])[] = [
    ['the registration has expired', { ...registered, printedExpiry: civilDate('2026-10-31') }],
    [
      'the registration is another aircraft’s',
      { ...registered, registrationShown: 'N0XXX', printedExpiry: civilDate('2032-05-31') },
    ],
    ['the loading data are missing', { kind: 'weight-and-balance', aboard: false, legible: null }],
    [
      'the manual is of another revision',
      {
        kind: 'operating-limitations',
        form: 'flight-manual',
        revision: '1',
        serialShown: 'elsewhere',
        placards: true,
      },
    ],
  ];
  const rights: readonly (Pick<DocumentCheck, 'kind'> & Partial<DocumentCheck>)[] = [
    { ...registered, printedExpiry: civilDate('2032-05-31'), number: 'NEW-1' },
    { kind: 'weight-and-balance', datedOn: civilDate('2022-06-09') },
    {
      kind: 'operating-limitations',
      form: 'flight-manual',
      revision: '7',
      serialShown: null,
      placards: true,
    },
  ];
  it.each(wrongs)('puts nothing right where %s: it waits for a dispatcher', async (_, wrong) => {
    good(await sight('dispatcher', wrong));
    const closed = await open();
    club.ports.at = addSeconds(club.ports.at, 60);
    const waiting: string[] = [];
    for (const role of ['renter', 'student', 'instructor', 'safety-officer'] as const)
      for (const right of rights) {
        const seen = good(await sight(role, right));
        if (right.kind === wrong.kind) waiting.push(...seen.waiting);
        expect(isWithin(await open(), closed)).toBe(true);
        club.ports.at = addSeconds(club.ports.at, 1);
      }
    const last = waiting.at(-1);
    if (last === undefined) throw new Error('nothing waits');
    const entry = async () => ({
      aircraftId: club.aircraftId,
      seenRevision: await revision(),
      records: [{ vouchId: randomUUID(), recordId: last }],
      note: null,
      password: PASSWORD,
    });
    for (const role of ['renter', 'student', 'instructor', 'safety-officer'] as const)
      expect(bad(await vouch(club.ports, club.actor(role), await entry())).code).toBe('not-entitled');
    // Of the claim and what counted of it, seen at one moment, the one that was vouched for is the last word.
    club.ports.at = addSeconds(club.ports.at, 60);
    good(await vouch(club.ports, club.actor('dispatcher'), await entry()));
    const latest = (await inClub(club.ports.db, club.clubId, (tx) => documentsOf(tx, club.aircraftId))).find(
      ({ kind }) => kind === wrong.kind,
    );
    const loaded = await inClub(club.ports.db, club.clubId, async (tx) =>
      latestDocumentChecks(
        (await loadAircraft(tx, club.place, club.aircraftId, true))[0]?.facts.documents ?? [],
        wrong.kind,
      ).map(({ id }) => id),
    );
    expect([latest?.sighting_id, loaded]).toEqual([last, [last]]);
  });

  it('does whatever they like in any order, and the aircraft is never available for more', async () => {
    // Something of each kind is wrong, so that there is something to be opened.
    for (const [, wrong] of wrongs.slice(2)) good(await sight('dispatcher', wrong));
    good(
      await addDial(club.ports, club.actor('mechanic'), {
        dialId: randomUUID(),
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        name: 'Block',
        unit: 'h',
        bills: true,
        counts: [{ meter: 'time-in-service', standsAt: '4150.3' }],
        shows: '4150.3',
        wrapsAt: null,
      }),
    );
    const dial = (
      await inClub(club.ports.db, club.clubId, (tx) =>
        tx.selectFrom('dial').select('dial_id').executeTakeFirstOrThrow(),
      )
    ).dial_id;
    let before = await open();
    let turn = 0;
    const pick = <T>(list: readonly T[]): T => {
      turn += 7;
      const found = list[turn % list.length];
      if (found === undefined) throw new Error('nothing to pick');
      return found;
    };
    let done = 0;
    for (let round = 0; round < 60; round += 1) {
      const who = club.actor(pick(['renter', 'student'] as const));
      const act = pick<() => Promise<{ readonly ok: boolean }>>([
        () =>
          sight(pick(['renter', 'student'] as const), {
            kind: pick(DOCUMENT_KINDS),
            aboard: round % 3 !== 0,
            legible: true,
            displayed: true,
            placards: true,
            tankFitted: false,
            registrationShown: 'N02TB',
            issuedOn: civilDate('2025-05-14'),
            printedExpiry: civilDate('2040-01-31'),
            form: 'flight-manual',
            revision: '7',
            datedOn: civilDate('2026-01-01'),
          }),
        () =>
          readMeters(club.ports, who, {
            aircraftId: club.aircraftId,
            readings: [{ dial, shown: String(4150.3 + Math.floor(round / 10)) }],
            accepted: [`gap/${dial}`, `${dial}/gap`],
            service: null,
            aboveMeter: true,
          }),
        () =>
          reportFinding(club.ports, who, {
            findingId: randomUUID(),
            aircraftId: club.aircraftId,
            station: 'propeller',
            side: null,
            step: 'K217',
            asListed: true,
            what: 'Nick',
            looks: pick(['looks-small', 'would-not-fly'] as const),
            foundAt: club.ports.now(),
          }),
        async () =>
          recordEntry(club.ports, who, annual(randomUUID(), INVENTED, { seenRevision: await revision() })),
        async () =>
          vouch(club.ports, who, {
            aircraftId: club.aircraftId,
            seenRevision: await revision(),
            records: [{ vouchId: randomUUID(), recordId: randomUUID() }],
            note: null,
            password: PASSWORD,
          }),
      ]);
      const { ok } = await act();
      done += ok ? 1 : 0;
      club.ports.at = addSeconds(club.ports.at, 30);
      const after = await open();
      expect([round, isWithin(after, before)]).toEqual([round, true]);
      before = after;
    }
    expect(done).toBeGreaterThan(10);
  });

  it('confirms what is still there, and says what is not: the one is a routine condition, the other closes at once', async () => {
    const whole = countUses(await open());
    expect(
      good(await sight('student', { kind: 'weight-and-balance', datedOn: civilDate('2022-06-09') })).waiting,
    ).toEqual([]);
    expect(countUses(await open())).toBe(whole);
    club.ports.at = addSeconds(club.ports.at, 60);
    expect(
      good(await sight('student', { kind: 'weight-and-balance', aboard: false, legible: null })).waiting,
    ).toEqual([]);
    expect(countUses(await open())).toBeLessThan(whole);
  });
});

describe('copying from the paper logbook', () => {
  it('a dispatcher alone releases nothing by it, whatever name stands there', async () => {
    club = await testClub({ inspections: { 'annual-2026': { completedOn: '2024-01-10' } } });
    const closed = await open();
    const entryId = randomUUID();
    good(await recordEntry(club.ports, club.actor('dispatcher'), annual(entryId, INVENTED)));
    expect(isWithin(await open(), closed)).toBe(true);
    const entry = async () => ({
      aircraftId: club.aircraftId,
      seenRevision: await revision(),
      records: [{ vouchId: randomUUID(), recordId: entryId }],
      note: 'Seen',
      password: PASSWORD,
    });
    // Nor by giving themselves the administrator's role beside their own: two people stand for a copy.
    good(
      await changeRoles(club.ports, club.actor('administrator'), {
        changeId: randomUUID(),
        personId: club.actor('dispatcher').personId,
        name: 'The dispatcher',
        roles: ['dispatcher', 'administrator'],
      }),
    );
    expect(
      bad(
        await vouch(
          club.ports,
          { ...club.actor('dispatcher'), roles: ['dispatcher', 'administrator'] },
          await entry(),
        ),
      ),
    ).toMatchObject({
      code: 'not-entitled',
      message: expect.stringContaining('made this copy yourself') as string,
    });
    expect(
      bad(await vouch(club.ports, club.actor('mechanic'), { ...(await entry()), password: 'not it' })).code,
    ).toBe('invalid');
    good(await vouch(club.ports, club.actor('mechanic'), await entry()));
    expect(countUses(await open())).toBeGreaterThan(countUses(closed));
  });
  it('what refuses the aircraft closes at once', async () => {
    const whole = await open();
    good(
      await recordEntry(
        club.ports,
        club.actor('dispatcher'),
        annual(randomUUID(), INVENTED, {
          draft: {
            of: 'inspection',
            kind: 'annual',
            completedOn: civilDate('2026-11-24'),
            timeInService: hours('4150.3'),
            outcome: 'discrepancies-listed',
            excess: null,
            testedToFeet: null,
          },
        }),
      ),
    );
    expect(countUses(await open())).toBeLessThan(countUses(whole));
  });
  it('hours of which only a copy tells count at once: limits come nearer and never move away', async () => {
    good(
      await recordEntry(
        club.ports,
        club.actor('dispatcher'),
        annual(randomUUID(), INVENTED, {
          aboveMeter: true,
          draft: {
            of: 'inspection',
            kind: 'annual',
            completedOn: civilDate('2026-11-24'),
            timeInService: hours('4160.3'),
            outcome: 'approved',
            excess: null,
            testedToFeet: null,
          },
        }),
      ),
    );
    const stands = await inClub(club.ports.db, club.clubId, async (tx) => {
      const { place, packs } = await readClub(tx, club.clubId);
      const [stored] = await loadAircraft(tx, place, club.aircraftId, true);
      return stored === undefined
        ? null
        : decide(stored.facts, packs, null, presentFor(stored.facts, club.ports.now())).timeInService;
    });
    expect(stands).toBe(hours('4160.3'));
  });
  it('a mechanic who could have signed it vouches for their own copy, and the administrator where nobody else is in the club', async () => {
    const own = randomUUID();
    good(
      await recordEntry(
        club.ports,
        club.actor('mechanic'),
        annual(
          own,
          { ...INVENTED, kind: 'mechanic-airframe-powerplant' },
          {
            draft: {
              of: 'inspection',
              kind: 'hundred-hour',
              completedOn: civilDate('2026-11-24'),
              timeInService: hours('4150.3'),
              outcome: 'approved',
              excess: null,
              testedToFeet: null,
            },
          },
        ),
      ),
    );
    good(
      await vouch(club.ports, club.actor('mechanic'), {
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        records: [{ vouchId: randomUUID(), recordId: own }],
        note: null,
        password: PASSWORD,
      }),
    );
    // An annual needs more than this mechanic's own certificate.
    const more = randomUUID();
    club.ports.at = addSeconds(club.ports.at, 60);
    good(
      await recordEntry(
        club.ports,
        club.actor('mechanic'),
        annual(more, INVENTED, { seenRevision: await revision() }),
      ),
    );
    const entry = async () => ({
      aircraftId: club.aircraftId,
      seenRevision: await revision(),
      records: [{ vouchId: randomUUID(), recordId: more }],
      note: null,
      password: PASSWORD,
    });
    expect(bad(await vouch(club.ports, club.actor('mechanic'), await entry())).code).toBe('not-entitled');
    for (const role of [
      'dispatcher',
      'renter',
      'student',
      'instructor',
      'safety-officer',
      'mechanic',
    ] as const)
      good(
        await changeRoles(club.ports, club.actor('administrator'), {
          changeId: randomUUID(),
          personId: club.actor(role).personId,
          name: `The ${role}`,
          roles: [],
        }),
      );
    const alone = randomUUID();
    good(
      await recordEntry(
        club.ports,
        club.actor('administrator'),
        annual(alone, INVENTED, { seenRevision: await revision() }),
      ),
    );
    good(
      await vouch(club.ports, club.actor('administrator'), {
        ...(await entry()),
        records: [{ vouchId: randomUUID(), recordId: alone }],
      }),
    );
  });
  it('a decision about the past does not see what was vouched for later', async () => {
    club = await testClub({ inspections: { 'annual-2026': { completedOn: '2024-01-10' } } });
    const entryId = randomUUID();
    good(await recordEntry(club.ports, club.actor('dispatcher'), annual(entryId, INVENTED)));
    const then = addSeconds(club.ports.now(), 30);
    club.ports.at = addSeconds(club.ports.at, 60);
    good(
      await vouch(club.ports, club.actor('mechanic'), {
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        records: [{ vouchId: randomUUID(), recordId: entryId }],
        note: null,
        password: PASSWORD,
      }),
    );
    const at = (moment: typeof then) =>
      inClub(club.ports.db, club.clubId, async (tx) => {
        const { place, packs } = await readClub(tx, club.clubId);
        const [stored] = await loadAircraft(tx, place, club.aircraftId, false);
        return stored === undefined ? -1 : countUses(decide(stored.facts, packs, null, moment).open);
      });
    expect(await at(then)).toBeLessThan(await at(club.ports.now()));
  });
});

describe('a defect at check-in', () => {
  it('whose id another finding has is not answered as received: nothing is recorded, and it is told', async () => {
    const dial = randomUUID();
    good(
      await addDial(club.ports, club.actor('mechanic'), {
        dialId: dial,
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        name: 'Block',
        unit: 'h',
        bills: true,
        counts: [{ meter: 'time-in-service', standsAt: '4150.3' }],
        shows: '4150.3',
        wrapsAt: null,
      }),
    );
    const flightId = randomUUID();
    const flight = {
      aircraftId: club.aircraftId,
      person: 'The renter',
      personId: null,
      starts: { date: civilDate('2026-11-24'), clock: '13:00' },
      endsClock: '15:00',
      airborne: null,
      ...PLAIN_RENTAL,
      landings: 2,
    } as const;
    good(
      await planOrMove(club.ports, club.actor('dispatcher'), {
        flightId,
        replaces: null,
        flight,
      }),
    );
    good(
      await releaseAndLeave(club.ports, club.actor('dispatcher'), {
        flightId,
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        readings: [{ dial, shown: '4150.3' }],
        accepted: [],
        fuelAboard: [],
        oilAboard: null,
        remarks: null,
      }),
    );
    const taken = randomUUID();
    good(
      await reportFinding(club.ports, club.actor('student'), {
        findingId: taken,
        aircraftId: club.aircraftId,
        station: 'propeller',
        side: null,
        step: 'K217',
        asListed: true,
        what: 'Nick',
        looks: 'not-right',
        foundAt: club.ports.now(),
      }),
    );
    club.ports.at = addSeconds(club.ports.at, 3600);
    const back = {
      flightId,
      aircraftId: club.aircraftId,
      at: { date: civilDate('2026-11-24'), clock: '00:00' },
      readings: [{ dial, shown: '4151.0' }],
      accepted: [],
      airborne: null,
      landings: 2,
      towLaunches: null,
      fuelAdded: null,
      oilAdded: null,
      remarks: { words: 'Engine ran rough', noDefect: false },
    };
    const clock = new Intl.DateTimeFormat('en-GB', {
      hour: '2-digit',
      minute: '2-digit',
      timeZone: club.place.zone,
    }).format(club.ports.at);
    const entry = (findingId: string) =>
      checkIn(club.ports, club.actor('dispatcher'), {
        ...back,
        at: { ...back.at, clock },
        defects: [{ findingId, what: 'Engine ran rough' }],
      });
    expect(bad(await entry(taken))).toMatchObject({ code: 'invalid', problems: [{ path: 'defects' }] });
    expect(
      (await inClub(club.ports.db, club.clubId, (tx) => latestFlights(tx, club.aircraftId, 1)))[0]?.returned,
    ).toBeNull();
    const fresh = randomUUID();
    good(await entry(fresh));
    const written = await inClub(club.ports.db, club.clubId, (tx) =>
      tx.selectFrom('discrepancy').select('what').where('discrepancy_id', '=', fresh).execute(),
    );
    expect(written).toEqual([{ what: 'Engine ran rough' }]);
  });
});
