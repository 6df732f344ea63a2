import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { describedAs, factSchema, listedAs, type FactInput } from '@/contracts/aircraft/aircraft-entry';
import { decide } from '@/core/decision/decide';
import { civilDate } from '@/core/time/civil-date';
import { addSeconds } from '@/core/time/instant';
import { loadAircraft } from '@/db/aircraft/aircraft-facts';
import { inClub } from '@/db/kernel/club-transaction';
import { readHistory } from '@/db/kernel/ledger';
import { describeHistory } from '@/explain/history';
import { facts } from '@/queries/aircraft/facts';
import { line } from '@/queries/aircraft/line';
import { documentCheckList } from '@/queries/documents/document-check';
import { bad, good, PASSWORD, testClub } from '@/testing/database';
import { addAircraft } from './add-aircraft';
import { strikeEntry } from '../maintenance/corrections';
import { enterFact } from './enter-fact';
import { recordEntry } from '../maintenance/record-entry';

let club: Awaited<ReturnType<typeof testClub>>;
beforeEach(async () => {
  club = await testClub();
});

type Role = Parameters<typeof club.actor>[0];
const enter = (
  fact: FactInput,
  role: Role = 'mechanic',
  aircraftId = club.aircraftId,
  factId: string = randomUUID(),
) => enterFact(club.ports, club.actor(role), factSchema.parse({ factId, aircraftId, fact }));
const known = async (registration = 'N02TB', role: Role = 'mechanic') => {
  const found = await inClub(club.ports.db, club.clubId, (tx) =>
    facts(tx, club.actor(role), registration, club.ports.now()),
  );
  if (found === null) throw new Error('not there');
  return found;
};
const verdict = async (registration = 'N02TB') =>
  (await inClub(club.ports.db, club.clubId, (tx) => line(tx, club.clubId, club.ports.now(), true))).rows.find(
    (row) => row.registration === registration,
  )?.verdict;
const later = () => {
  club.ports.at = addSeconds(club.ports.at, 60);
};
const described = async (change: object) => {
  const now = await known();
  return {
    kind: 'description' as const,
    instead: now.descriptionId,
    description: { ...describedAs(now.aircraft), ...change },
  };
};

describe('an aircraft that was entered', () => {
  const fresh = async (role: Role = 'administrator') => {
    const aircraftId = randomUUID();
    good(
      await addAircraft(club.ports, club.actor(role), {
        aircraftId,
        registration: 'N0NEW',
        typeName: 'Quorin 160',
        category: 'standard',
        firstFlownOn: null,
        serialNumber: 'Q-1',
      }),
    );
    return aircraftId;
  };
  it('is closed, and says everything that nobody has said', async () => {
    await fresh();
    expect(await verdict('N0NEW')).toBe('Grounded');
    const { missing, complete } = await known('N0NEW');
    expect(complete).toEqual({ items: false, ads: false });
    expect(new Set(missing.map(({ headline }) => headline)).size).toBe(missing.length);
    for (const words of [
      'The airworthiness certificate has never been checked',
      'what this aircraft is approved and fitted for',
      'ELT',
      'The time in service is not on record',
      'No annual inspection',
      'which airworthiness directives apply',
      'No insurance',
    ])
      expect(missing.map(({ headline }) => headline).join(' '), words).toMatch(new RegExp(words, 'i'));
  });
  it('stands once, however often it is sent, and under no other’s registration', async () => {
    const aircraftId = await fresh();
    const again = {
      aircraftId,
      registration: 'N0NEW',
      typeName: 'Quorin 160',
      category: null,
      firstFlownOn: null,
      serialNumber: null,
    };
    expect(good(await addAircraft(club.ports, club.actor('dispatcher'), again))).toEqual({ aircraftId });
    expect(
      bad(await addAircraft(club.ports, club.actor('dispatcher'), { ...again, aircraftId: randomUUID() })),
    ).toMatchObject({ problems: [{ path: 'registration' }] });
    const two = await Promise.all(
      [1, 2, 3].map(() =>
        addAircraft(club.ports, club.actor('dispatcher'), {
          ...again,
          aircraftId: randomUUID(),
          registration: 'N0TWO',
        }),
      ),
    );
    expect(two.filter(({ ok }) => ok)).toHaveLength(1);
    expect(
      bad(await addAircraft(club.ports, club.actor('renter'), { ...again, registration: 'N0XYZ' })).code,
    ).toBe('not-entitled');
  });
  it('goes on being closed while one list is not said to be complete', async () => {
    const aircraftId = await fresh();
    const itemId = randomUUID();
    good(
      await enter(
        {
          kind: 'item',
          item: {
            name: 'Oil change',
            kind: 'oil-change',
            interval: { hours: [{ meter: 'engine', every: 50 }] },
          },
        },
        'dispatcher',
        aircraftId,
        itemId,
      ),
    );
    expect(await known('N0NEW')).toMatchObject({
      items: [{ id: itemId, text: 'Oil change', more: 'every 50.0 h engine time' }],
      complete: { items: false },
    });
    expect(
      (await inClub(club.ports.db, club.clubId, (tx) => loadAircraft(tx, club.place, aircraftId, true)))[0]
        ?.facts.items,
    ).toBeNull();
    good(await enter({ kind: 'complete', list: 'items' }, 'dispatcher', aircraftId));
    // Nothing was ever done of it, so it is due.
    expect(
      (await inClub(club.ports.db, club.clubId, (tx) => loadAircraft(tx, club.place, aircraftId, true)))[0]
        ?.facts.items,
    ).toMatchObject([{ id: itemId, done: [] }]);
  });
});

describe('a fact', () => {
  it.each<readonly [string, FactInput, string]>([
    [
      'the first item',
      {
        kind: 'item',
        item: { name: 'Prop overhaul', kind: 'overhaul', basis: 'club', interval: { months: 72 } },
      },
      'put an item on record: Prop overhaul',
    ],
    [
      'an AD that applies',
      {
        kind: 'ad',
        ad: {
          number: '2026-01-02',
          title: 'Look at the spar',
          applies: true,
          noFerry: false,
          equipment: [],
          methods: { look: { name: 'look' } },
        },
      },
      'put an AD on record: 2026-01-02, Look at the spar',
    ],
    [
      'an ELT with a battery that ran out',
      { kind: 'elt', elt: { state: 'fitted', batteryReplaceBy: '2026-11-01', usedMinutes: 0 } },
      'put its ELT on record',
    ],
    [
      'a lapsed insurance',
      { kind: 'club-document', paper: { kind: 'insurance', name: 'Insurance', validUntil: '2026-11-23' } },
      'put a document on record: Insurance',
    ],
  ])('counts at once: %s', async (_, fact, words) => {
    expect(await verdict()).toBe('Released');
    later();
    good(await enter(fact, 'dispatcher'));
    expect(await verdict()).toBe('Grounded');
    const [story] = await inClub(club.ports.db, club.clubId, (tx) => readHistory(tx, club.aircraftId, 1));
    expect(story === undefined ? '' : describeHistory(story.act, story.record)).toBe(words);
  });
  it('sent again after a lost answer is on record once', async () => {
    const factId = randomUUID();
    const paper = {
      kind: 'club-document' as const,
      paper: { kind: 'club' as const, name: 'Key tag', validUntil: 'no-expiry' },
    };
    good(await enter(paper, 'dispatcher', club.aircraftId, factId));
    good(await enter(paper, 'dispatcher', club.aircraftId, factId));
    expect((await known()).clubDocuments.filter(({ text }) => text === 'Key tag')).toHaveLength(1);
  });
  it('of an earlier day happened at its start; one that has not come yet is refused', async () => {
    good(
      await enter({
        kind: 'database',
        on: '2026-11-20',
        database: { content: 'navigation', lastDay: '2026-12-01' },
      }),
    );
    const [stored] = await inClub(club.ports.db, club.clubId, (tx) =>
      loadAircraft(tx, club.place, club.aircraftId, true),
    );
    expect(stored?.facts.databases.map(({ happenedAt }) => new Date(happenedAt).toISOString())).toEqual([
      '2026-11-20T04:00:00.000Z',
    ]);
    expect(
      bad(await enter({ kind: 'database', on: '2026-11-25', database: { content: 'navigation' } })),
    ).toMatchObject({ problems: [{ path: 'fact.on' }] });
  });
  it.each(['renter', 'student', 'instructor', 'safety-officer'] as const)(
    'is not the %s’s to enter',
    async (role) => {
      expect(bad(await enter({ kind: 'complete', list: 'items' }, role)).code).toBe('not-entitled');
    },
  );
});

describe('what the aircraft is', () => {
  it('is replaced only by a mechanic or the administrator, and only of what they saw', async () => {
    const change = await described({ seats: 2 });
    expect(bad(await enter(change, 'dispatcher')).code).toBe('not-entitled');
    expect(
      bad(
        await enter(
          { kind: 'equipment', instead: (await known()).equipment?.id ?? null, list: { items: {} } },
          'dispatcher',
        ),
      ).code,
    ).toBe('not-entitled');
    good(await enter(change, 'administrator'));
    expect((await known()).aircraft.particulars.seats).toBe(2);
    later();
    // Somebody else's form was opened before that.
    expect(bad(await enter(change, 'mechanic'))).toMatchObject({ problems: [{ path: 'fact.instead' }] });
    good(await enter(await described({ seats: 4 }), 'mechanic'));
    expect((await known()).aircraft.particulars.seats).toBe(4);
    expect(
      (await inClub(club.ports.db, club.clubId, (tx) => readHistory(tx, club.aircraftId, 2))).map(
        ({ act, record }) => describeHistory(act, record),
      ),
    ).toEqual(Array(2).fill('put on record what it is and may be used for'));
  });
  it('an equipment list that takes the place of one of the same earlier day holds: they are not one moment of which the stricter would', async () => {
    const whole = (await known()).equipment?.items ?? [];
    const list = (kinds: readonly string[]) => ({
      items: Object.fromEntries(
        whole.map(({ kind, expiresOn }) => [
          kind,
          {
            fitted: !kinds.includes(kind),
            typeCertification: false,
            equipmentList: 'no' as const,
            kindsOfOperation: 'no' as const,
            ...(expiresOn === null ? {} : { expiresOn }),
          },
        ]),
      ),
    });
    good(
      await enter(
        {
          kind: 'equipment',
          on: '2026-11-20',
          instead: (await known()).equipment?.id ?? null,
          list: list(['flotation', 'pyrotechnic-signal', 'airspeed-indicator']),
        },
        'mechanic',
      ),
    );
    expect(await verdict()).toBe('Grounded');
    later();
    good(
      await enter(
        {
          kind: 'equipment',
          on: '2026-11-20',
          instead: (await known()).equipment?.id ?? null,
          list: list(['flotation', 'pyrotechnic-signal']),
        },
        'mechanic',
      ),
    );
    expect(await verdict()).toBe('Released');
  });
  it('only a mechanic or the administrator says that the list was an approved one', async () => {
    const empty = await testClub({ equipment: null });
    const entry = (role: 'dispatcher' | 'mechanic') =>
      enterFact(
        empty.ports,
        empty.actor(role),
        factSchema.parse({
          factId: randomUUID(),
          aircraftId: empty.aircraftId,
          fact: { kind: 'equipment', instead: null, list: { approved: true, items: {} } },
        }),
      );
    expect(bad(await entry('dispatcher')).code).toBe('not-entitled');
    good(await entry('mechanic'));
  });
  it('decides from then on, and a past decision knows what was known then', async () => {
    const before = club.ports.now();
    later();
    good(await enter(await described({ approvedFor: undefined, category: 'restricted' })));
    expect(await verdict()).toBe('Grounded');
    const [stored] = await inClub(club.ports.db, club.clubId, (tx) =>
      loadAircraft(tx, club.place, club.aircraftId, false),
    );
    if (stored === undefined) throw new Error('not there');
    expect([
      decide(stored.facts, club.packs, null, before).verdict,
      decide(stored.facts, club.packs, null, club.ports.now()).verdict,
    ]).toEqual(['Released', 'Grounded']);
    // Before the aircraft was entered nothing was known of it.
    expect(decide(stored.facts, club.packs, null, addSeconds(before, -86_400 * 365)).verdict).toBe(
      'Grounded',
    );
  });
  it('said by a clock that was set back, the last word counts anyway', async () => {
    // Before the aircraft itself was entered, by that clock; and then once more before the one before.
    club.ports.at = addSeconds(club.ports.at, -3600);
    good(await enter(await described({ approvedFor: undefined })));
    expect(await verdict()).toBe('Grounded');
    const open =
      (
        await inClub(club.ports.db, club.clubId, (tx) => loadAircraft(tx, club.place, club.aircraftId, false))
      )[0]?.facts.descriptions[0]?.approvedFor ?? null;
    good(await enter(await described({ approvedFor: open?.map((box) => ({ ...box })) as never })));
    expect(await verdict()).toBe('Released');
    club.ports.at = addSeconds(club.ports.at, -3600);
    good(await enter(await described({ approvedFor: undefined })));
    expect(await verdict()).toBe('Grounded');
  });
  it('two at once: one stands, the other is told', async () => {
    const change = await described({ seats: 3 });
    const outcomes = await Promise.all([enter(change, 'mechanic'), enter(change, 'administrator')]);
    expect(outcomes.map(({ ok }) => ok).sort()).toEqual([false, true]);
  });
  it('gives the document check round its serial number', async () => {
    good(await enter(await described({ serialNumber: 'Q-99' })));
    expect(
      (await inClub(club.ports.db, club.clubId, (tx) => documentCheckList(tx, 'N02TB')))?.serialNumber,
    ).toBe('Q-99');
  });
  it('an equipment list stands as a whole: what it no longer names is not known, and closes', async () => {
    const now = await known();
    const items = listedAs(now.equipment?.items ?? []);
    later();
    good(
      await enter({
        kind: 'equipment',
        instead: now.equipment?.id ?? null,
        list: { items: Object.fromEntries(Object.entries(items).filter(([kind]) => kind !== 'altimeter')) },
      }),
    );
    expect(await verdict()).toBe('Grounded');
    later();
    good(await enter({ kind: 'equipment', instead: (await known()).equipment?.id ?? null, list: { items } }));
    expect(await verdict()).toBe('Released');
  });
});

describe('an item that was entered wrongly', () => {
  const item = async () => {
    const id = randomUUID();
    later();
    good(
      await enter(
        {
          kind: 'item',
          item: {
            name: 'Engine overhaul',
            kind: 'overhaul',
            basis: 'approved-programme',
            interval: { hours: [{ meter: 'time-in-service', every: 1 }] },
          },
        },
        'dispatcher',
        club.aircraftId,
        id,
      ),
    );
    return id;
  };
  const strike = async (id: string, role: Role, kind: 'item' | 'ad' = 'item') =>
    strikeEntry(club.ports, club.actor(role), {
      strikeId: randomUUID(),
      aircraftId: club.aircraftId,
      seenRevision: (await known()).revision,
      kind,
      recordId: id,
      why: 'another engine',
      password: PASSWORD,
    });
  it('is struck out only by somebody who may return the aircraft to service, the person who entered it', async () => {
    const id = await item();
    expect(await verdict()).toBe('Grounded');
    expect(bad(await strike(id, 'dispatcher')).code).toBe('not-entitled');
    later();
    good(await strike(id, 'mechanic'));
    expect(await verdict()).toBe('Released');
    expect((await known()).items).toMatchObject([{ id, struck: { why: 'another engine' } }]);
  });
  it('an AD too', async () => {
    const id = randomUUID();
    later();
    good(
      await enter(
        {
          kind: 'ad',
          ad: { number: '2026-09-09', title: 'X', applies: true, noFerry: false, equipment: [], methods: {} },
        },
        'dispatcher',
        club.aircraftId,
        id,
      ),
    );
    expect(bad(await strike(id, 'dispatcher', 'ad')).code).toBe('not-entitled');
    later();
    good(await strike(id, 'mechanic', 'ad'));
    expect(await verdict()).toBe('Released');
  });
  it('what was done of an entered item is signed in the folder, and carries it on', async () => {
    const id = await item();
    const { revision } = await known();
    good(
      await recordEntry(club.ports, club.actor('mechanic'), {
        entryId: randomUUID(),
        aircraftId: club.aircraftId,
        seenRevision: revision,
        draft: {
          of: 'item',
          item: id,
          completedOn: civilDate('2026-11-24'),
          readings: [{ meter: 'time-in-service', value: 4150.3 * 3600 }],
          excessOnFreeUses: false,
        },
        description: 'Overhauled.',
        signer: { by: 'own-certificate', certificateId: club.certificateOf('mechanic') },
        aboveMeter: false,
        password: PASSWORD,
      }),
    );
    expect(await verdict()).toBe('Released');
  });
});
