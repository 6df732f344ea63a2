import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { flightFrom, plannedFlightSchema, type FlightDraft } from '@/contracts/flights/plan';
import { hours } from '@/core/quantities/hours';
import { civilDate } from '@/core/time/civil-date';
import { instantText } from '@/core/time/instant';
import { zone } from '@/core/time/zone';
import { inClub } from '@/db/kernel/club-transaction';
import { readHistory } from '@/db/kernel/ledger';
import { dayPlan, draftAnswer } from '@/queries/flights/plan';
import { bad, good, testClub } from '@/testing/database';
import { PLAIN_RENTAL } from '@/testing/flight-draft';
import { newNick } from '@/testing/entries';
import { loadFolder } from '../kernel/load-folder';
import { NO_RECORDS } from '../kernel/load-records';
import { cancelFlight, planOrMove } from './planning';
import { addAircraft } from '../aircraft/add-aircraft';
import { reportFinding } from '../findings/report-finding';
import { UNKNOWN_PARTICULARS } from '@/core/records/aircraft/aircraft';

let club: Awaited<ReturnType<typeof testClub>>;
beforeEach(async () => {
  club = await testClub();
});

const draft = (change: Partial<FlightDraft> = {}): FlightDraft => ({
  aircraftId: club.aircraftId,
  person: 'R. Dane',
  personId: null,
  starts: { date: civilDate('2026-11-24'), clock: '13:00' },
  endsClock: '14:30',
  airborne: hours('1.2'),
  ...PLAIN_RENTAL,
  landings: 2,
  ...change,
});
const enter = (
  change: Partial<FlightDraft> = {},
  replaces: string | null = null,
  flightId: string = randomUUID(),
) => planOrMove(club.ports, club.actor('dispatcher'), { flightId, replaces, flight: draft(change) });
const plan = (day = '2026-11-24') =>
  inClub(club.ports.db, club.clubId, (tx) => dayPlan(tx, club.clubId, civilDate(day), club.ports.now()));
const answer = (change: Partial<FlightDraft> = {}) =>
  inClub(club.ports.db, club.clubId, (tx) =>
    draftAnswer(tx, club.clubId, draft(change), null, club.ports.now()),
  );
const HALIFAX = zone('America/Halifax');

describe('times as the wall clock shows them', () => {
  const from = (date: string, starts: string, ends: string) => {
    const flight = flightFrom(
      draft({ starts: { date: civilDate(date), clock: starts }, endsClock: ends, airborne: null }),
      'f',
      HALIFAX,
    );
    return 'path' in flight ? flight.path : [instantText(flight.starts), instantText(flight.ends)];
  };
  it.each([
    ['a plain day', '2026-11-24', '13:00', '14:30', ['2026-11-24T17:00:00Z', '2026-11-24T18:30:00Z']],
    ['over midnight', '2026-11-24', '23:00', '00:30', ['2026-11-25T03:00:00Z', '2026-11-25T04:30:00Z']],
    ['a time that the clock leaves out', '2026-03-08', '02:30', '04:00', 'starts'],
    ['an end that the clock leaves out', '2026-03-08', '01:00', '02:30', 'endsClock'],
    // Set back at 02:00: the earlier start and the later end, so that the flight is never taken for shorter than it may be.
    [
      'the hour that comes twice',
      '2026-11-01',
      '01:15',
      '01:45',
      ['2026-11-01T04:15:00Z', '2026-11-01T05:45:00Z'],
    ],
  ])('%s', (_, date, starts, ends, expected) => {
    expect(from(date, starts, ends)).toEqual(expected);
  });
  it.each([
    ['longer in the air than away', { airborne: hours('1.6') }, 'airborne'],
    ['no amount of fuel', { fuelPlanned: 'full' }, 'fuelPlanned'],
  ] as const)('refuses %s', (_, change, path) => {
    expect(flightFrom(draft(change), 'f', HALIFAX)).toMatchObject({ path });
  });
});

describe('planning', () => {
  it('a flight is decided at once, and again when something changes', async () => {
    const flightId = good(await enter()).flightId;
    expect((await plan()).flights).toMatchObject([
      { flightId, person: 'R. Dane', starts: '13:00', ends: '14:30', answer: 'yes', words: '' },
    ]);
    good(await reportFinding(club.ports, club.actor('student'), newNick(club)));
    expect((await plan()).flights).toMatchObject([{ answer: 'no', words: 'New nick (Propeller).' }]);
  });
  it('what an instrument flight says of itself is kept, also when it is moved: height, alternate, authorisation, distance', async () => {
    const said = {
      altitudeFeet: 6000,
      alternateMinutes: 25,
      authorisedWithout: ['ads-b-out'],
      exceptedAirspace: true,
      trainingWithin50Miles: true,
    } as const;
    const { flightId } = good(await enter({ rules: 'ifr', ...said }));
    const kept = {
      altitudeFeet: 6000,
      toAlternate: 1500,
      authorisedWithout: ['ads-b-out'],
      exceptedAirspace: true,
      trainingWithin50Miles: true,
    };
    expect((await plan()).flights.map(({ flight }) => flight)).toMatchObject([kept]);
    good(
      await enter(
        {
          rules: 'ifr',
          ...said,
          starts: { date: civilDate('2026-11-25'), clock: '09:00' },
          endsClock: '10:30',
        },
        flightId,
      ),
    );
    expect((await plan('2026-11-25')).flights.map(({ flight }) => flight)).toMatchObject([kept]);
  });
  it('moving leaves one flight, and the old entry in the history', async () => {
    const { flightId } = good(await enter());
    const moved = good(
      await enter(
        { starts: { date: civilDate('2026-11-25'), clock: '09:00' }, endsClock: '10:30' },
        flightId,
      ),
    ).flightId;
    expect([(await plan()).flights, (await plan('2026-11-25')).flights.map((one) => one.flightId)]).toEqual([
      [],
      [moved],
    ]);
    expect(
      (await inClub(club.ports.db, club.clubId, (tx) => readHistory(tx, club.aircraftId, 1)))[0],
    ).toMatchObject({ act: 'move-flight', record: { replaces: flightId } });
    expect(bad(await enter({}, flightId))).toMatchObject({ code: 'not-found' });
  });
  it('to another aircraft shows in both stories', async () => {
    const other = randomUUID();
    good(
      await loadFolder(club.ports, club.actor('dispatcher'), {
        aircraftId: other,
        registration: 'N09TB',
        typeName: 'Quorin 160',
        category: 'standard',
        firstFlownOn: null,
        approvedFor: null,
        features: null,
        particulars: UNKNOWN_PARTICULARS,
        ...NO_RECORDS,
      }),
    );
    const { flightId } = good(await enter());
    good(await enter({ aircraftId: other }, flightId));
    expect(
      (await inClub(club.ports.db, club.clubId, (tx) => readHistory(tx, club.aircraftId, 1)))[0],
    ).toMatchObject({ act: 'flight-moved-away', record: { to: 'N09TB' } });
    expect((await plan()).flights).toMatchObject([{ registration: 'N09TB', answer: 'no' }]);
  });
  it('two move the same flight at once: one does, the other is told', async () => {
    const { flightId } = good(await enter());
    const answers = await Promise.all([
      enter({ endsClock: '15:00' }, flightId),
      enter({ endsClock: '15:30' }, flightId),
    ]);
    expect(answers.filter(({ ok }) => ok)).toHaveLength(1);
    expect((await plan()).flights).toHaveLength(1);
  });
  it('cancelling takes it away once', async () => {
    const { flightId } = good(await enter());
    const cancel = () =>
      cancelFlight(club.ports, club.actor('dispatcher'), {
        flightId,
        aircraftId: club.aircraftId,
        why: 'Weather',
      });
    good(await cancel());
    expect((await plan()).flights).toEqual([]);
    expect(bad(await cancel())).toMatchObject({ code: 'not-found' });
  });
  it('of somebody else is for the desk: members plan, move and cancel their own', async () => {
    const by = (
      role: 'renter' | 'student' | 'instructor',
      change: Partial<FlightDraft> = {},
      replaces: string | null = null,
    ) =>
      planOrMove(club.ports, club.actor(role), { flightId: randomUUID(), replaces, flight: draft(change) });
    const mine = good(await by('renter', { person: 'The renter' })).flightId;
    expect(bad(await by('renter', { person: 'The student' })).code).toBe('not-entitled');
    // What the desk planned for a member is that member's own.
    const planned = good(
      await enter({
        person: 'The renter',
        starts: { date: civilDate('2026-11-24'), clock: '16:00' },
        endsClock: '17:00',
        airborne: null,
      }),
    ).flightId;
    const later = {
      starts: { date: civilDate('2026-11-24'), clock: '18:00' },
      endsClock: '19:00',
      airborne: null,
    };
    for (const flightId of [mine, planned]) {
      expect(bad(await by('student', { ...later, person: 'The student' }, flightId)).code).toBe(
        'not-entitled',
      );
      expect(
        bad(
          await cancelFlight(club.ports, club.actor('student'), {
            flightId,
            aircraftId: club.aircraftId,
            why: null,
          }),
        ).code,
      ).toBe('not-entitled');
    }
    good(
      await cancelFlight(club.ports, club.actor('renter'), {
        flightId: planned,
        aircraftId: club.aircraftId,
        why: null,
      }),
    );
    // A flight that is moved stays whose it was, and may not be given to somebody else.
    expect(bad(await by('renter', { ...later, person: 'The student' }, mine)).code).toBe('not-entitled');
    const moved = good(await by('renter', { ...later, person: 'The renter' }, mine)).flightId;
    good(await by('instructor', { ...later, person: 'The renter' }, moved));
  });
  it('moved both ways by many at once ends with each flight in one place, and nobody is left waiting', async () => {
    const other = randomUUID();
    good(
      await loadFolder(club.ports, club.actor('dispatcher'), {
        aircraftId: other,
        registration: 'N09TB',
        typeName: 'Quorin 160',
        category: 'standard',
        firstFlownOn: null,
        approvedFor: null,
        features: null,
        particulars: UNKNOWN_PARTICULARS,
        ...NO_RECORDS,
      }),
    );
    const flights = await Promise.all(
      Array.from(
        { length: 12 },
        async (_, at) => good(await enter({ aircraftId: at % 2 === 0 ? club.aircraftId : other })).flightId,
      ),
    );
    const outcomes = await Promise.all(
      flights.flatMap((id, at) => [
        enter({ aircraftId: at % 2 === 0 ? other : club.aircraftId }, id),
        cancelFlight(club.ports, club.actor('dispatcher'), {
          flightId: id,
          aircraftId: at % 2 === 0 ? club.aircraftId : other,
          why: null,
        }),
      ]),
    );
    // Of moving and cancelling one thing happened to each.
    for (let at = 0; at < flights.length; at += 1)
      expect([at, [outcomes[2 * at], outcomes[2 * at + 1]].filter((one) => one?.ok).length]).toEqual([at, 1]);
    expect((await plan()).flights).toHaveLength(outcomes.filter((one, at) => at % 2 === 0 && one.ok).length);
  });
  it('sent twice it is one flight', async () => {
    const id = randomUUID();
    good(await enter({}, null, id));
    good(await enter({}, null, id));
    expect((await plan()).flights).toHaveLength(1);
  });
  it('refuses the past, and the person who may not plan', async () => {
    expect(bad(await enter({ starts: { date: civilDate('2026-11-23'), clock: '09:00' } }))).toMatchObject({
      problems: [{ path: 'starts' }],
    });
    expect(
      bad(
        await planOrMove(club.ports, club.actor('mechanic'), {
          flightId: randomUUID(),
          replaces: null,
          flight: draft(),
        }),
      ),
    ).toMatchObject({ code: 'not-entitled' });
  });
});

describe('the answer while it is typed', () => {
  it('yes, what clashes, and what else could take it', async () => {
    expect(await answer()).toMatchObject({ answer: 'yes', clashes: [] });
    good(await enter());
    expect(
      await answer({
        starts: { date: civilDate('2026-11-24'), clock: '14:00' },
        endsClock: '15:00',
        airborne: null,
      }),
    ).toMatchObject({ answer: 'yes', clashes: ['R. Dane, 13:00–14:30'] });
    expect(await answer({ rules: 'ifr' })).toMatchObject({
      answer: 'no',
      words: 'This aircraft is not approved or fitted for such a flight.',
    });
    expect(await answer({ airborne: hours('1.6') })).toMatchObject({ answer: 'unclear' });
  });
  it('ranks the fleet: who can take it and is free, who can and is planned then, who cannot', async () => {
    for (const registration of ['N0RKA', 'N0RKB'])
      good(
        await addAircraft(club.ports, club.actor('dispatcher'), {
          aircraftId: randomUUID(),
          registration,
          typeName: 'Quorin 160',
          category: null,
          firstFlownOn: null,
          serialNumber: null,
        }),
      );
    const order = async () => (await answer()).fleet.map((one) => [one.registration, one.answer, one.taken]);
    expect(await order()).toEqual([
      ['N02TB', 'yes', false],
      ['N0RKA', 'no', false],
      ['N0RKB', 'no', false],
    ]);
    good(await enter());
    expect((await order())[0]).toEqual(['N02TB', 'yes', true]);
  });
  it('a flight that ends after dark needs the night uses, which this aircraft has', async () => {
    expect(
      (await answer({ starts: { date: civilDate('2026-11-24'), clock: '16:30' }, endsClock: '18:00' }))
        .answer,
    ).toBe('yes');
  });
});

describe('places', () => {
  const CAPE = { name: 'Cape Reach', latitude: 44.9, longitude: -63.1, timeZone: HALIFAX };
  it('are decided with the light there, kept, offered again, and stay with a flight that is moved', async () => {
    const flightId = randomUUID();
    good(await enter({ places: [CAPE] }, null, flightId));
    const first = (await plan()).flights.find((one) => one.flightId === flightId);
    expect(first?.flight.places).toEqual([
      { name: 'Cape Reach', latitude: 44.9, longitude: -63.1, zone: 'America/Halifax' },
    ]);
    expect((await plan()).places).toEqual([
      { name: 'Cape Reach', latitude: 44.9, longitude: -63.1, zone: 'America/Halifax' },
    ]);
    // Moved with what it says, it touches the same places.
    good(await enter({ places: [CAPE], person: 'moved' }, flightId));
    expect((await plan()).flights.find((one) => one.person === 'moved')?.flight.places).toHaveLength(1);
  });
  it('bring their light with them: by day here and by night there, an aircraft of the day cannot go', async () => {
    const everything = {
      light: ['day'],
      rules: 'all',
      purpose: 'all',
      crew: 'all',
      range: 'all',
      transponderAirspace: 'all',
      adsbAirspace: 'all',
      overWater: 'all',
      passengers: 'all',
    };
    club = await testClub({ aircraft: { approvedFor: [everything] } });
    const far = { name: 'Far Reach', latitude: -33.9, longitude: 151.2, timeZone: zone('Australia/Sydney') };
    expect([(await answer({ places: [CAPE] })).answer, (await answer({ places: [far] })).answer]).toEqual([
      'yes',
      'no',
    ]);
  });
  it('without a name or beyond the poles are refused', () => {
    for (const wrong of [
      { ...CAPE, name: ' ' },
      { ...CAPE, latitude: 91 },
      { ...CAPE, timeZone: 'Nowhere' },
    ])
      expect(
        plannedFlightSchema.safeParse({
          ...draft(),
          starts: { date: '2026-11-24', clock: '13:00' },
          airborne: 1.2,
          places: [wrong],
        }).success,
      ).toBe(false);
  });
});

describe('who flies', () => {
  const stored = async () => (await plan()).flights.map((one) => [one.person, one.personId]);
  it('is the member who was chosen, or the only one of that name; a guest is only named', async () => {
    const renter = club.actor('renter');
    good(await enter({ person: renter.name, personId: renter.personId }));
    good(
      await enter({
        person: renter.name,
        starts: { date: civilDate('2026-11-24'), clock: '15:00' },
        endsClock: '16:00',
        airborne: null,
      }),
    );
    good(
      await enter({
        person: 'A guest',
        starts: { date: civilDate('2026-11-24'), clock: '16:00' },
        endsClock: '17:00',
        airborne: null,
      }),
    );
    expect(await stored()).toEqual([
      [renter.name, renter.personId],
      [renter.name, renter.personId],
      ['A guest', null],
    ]);
  });
  it('is chosen among members only by somebody who plans for others: nobody else sees the list', async () => {
    const people = async (forOthers: boolean) =>
      (
        await inClub(club.ports.db, club.clubId, (tx) =>
          dayPlan(tx, club.clubId, null, club.ports.now(), forOthers),
        )
      ).people.map(({ name }) => name);
    expect(await people(false)).toEqual([]);
    expect(await people(true)).toContain(club.actor('renter').name);
  });
  it('is nobody under another’s name, and nobody who is no member', async () => {
    const renter = club.actor('renter');
    for (const wrong of [
      { person: 'Somebody else', personId: renter.personId },
      { person: renter.name, personId: randomUUID() },
    ])
      expect(bad(await enter(wrong))).toMatchObject({ problems: [{ path: 'flight.person' }] });
  });
  it('for somebody without a desk role is only themselves, whatever id they send', async () => {
    const [renter, student] = [club.actor('renter'), club.actor('student')];
    const own = (change: Partial<FlightDraft>) =>
      planOrMove(club.ports, renter, { flightId: randomUUID(), replaces: null, flight: draft(change) });
    expect(bad(await own({ person: student.name, personId: student.personId })).code).toBe('not-entitled');
    expect(bad(await own({ person: renter.name, personId: student.personId })).code).toBe('not-entitled');
    good(await own({ person: renter.name, personId: renter.personId }));
  });
});
