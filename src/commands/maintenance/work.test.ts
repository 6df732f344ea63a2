import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import {
  approveWorkSchema,
  beginWorkSchema,
  checkFlightSchema,
  independentInspectionSchema,
  recordWorkSchema,
  workEffectsSchema,
} from '@/contracts/maintenance/work';
import { certificateSchema } from '@/contracts/club/people';
import { returnToServiceSchema } from '@/contracts/findings/return-to-service';
import { findingSchema } from '@/contracts/findings/report-finding';
import { decide } from '@/core/decision/decide';
import { hours } from '@/core/quantities/hours';
import { UNSAID, type PlannedFlight } from '@/core/records/flights/planned-flight';
import { addSeconds } from '@/core/time/instant';
import { loadAircraft } from '@/db/aircraft/aircraft-facts';
import { inClub } from '@/db/kernel/club-transaction';
import { logbookOf } from '@/db/maintenance/logbook';
import { aircraftPage } from '@/queries/aircraft/aircraft-page';
import { folder } from '@/queries/aircraft/folder';
import { bad, good, PASSWORD, testClub } from '@/testing/database';
import { NO_EFFECTS } from '@/testing/work';
import { enterCertificate } from '../club/members';
import { loadRecords, NO_RECORDS } from '../kernel/load-records';
import { reportFinding } from '../findings/report-finding';
import { returnToService } from '../findings/return-to-service';
import { recordCheckFlight, recordIndependentInspection } from './after-work';
import { approveWork, beginWork, recordWork } from './record-work';

let club: Awaited<ReturnType<typeof testClub>>;
type Role = Parameters<typeof club.actor>[0];
const inTx = <T>(work: Parameters<typeof inClub<T>>[2]) => inClub(club.ports.db, club.clubId, work);
const page = async (role: Role = 'mechanic') => {
  const shown = await inTx((tx) => aircraftPage(tx, club.actor(role), 'N02TB', club.ports.now()));
  if (shown === null) throw new Error('no page');
  return shown;
};
const open = async (role: Role = 'mechanic') => (await page(role)).work.open;
const DETAILS = { logbook: 'airframe', references: null, parts: [], timeInService: null, form: null };
const base = async (role: Role) => ({
  aircraftId: club.aircraftId,
  seenRevision: (await page()).revision,
  on: '2026-11-24',
  certificateId: club.certificateOf(role),
  password: PASSWORD,
});
const signed = async (role: Role, change: object) => ({
  ...(await base(role)),
  description: 'Left aileron cable replaced and rigged',
  effects: NO_EFFECTS,
  major: false,
  details: DETAILS,
  ...change,
});
const record = async (change: object = {}, role: Role = 'mechanic') =>
  recordWork(
    club.ports,
    club.actor(role),
    recordWorkSchema.parse({
      ...(await signed(role, { workId: randomUUID(), preventive: null })),
      ...change,
    }),
  );
const begin = (workId: string, role: Role = 'mechanic', description = 'Left brake taken apart') =>
  beginWork(
    club.ports,
    club.actor(role),
    beginWorkSchema.parse({ workId, aircraftId: club.aircraftId, description }),
  );
const approve = async (workId: string, change: object = {}, role: Role = 'mechanic') =>
  approveWork(
    club.ports,
    club.actor(role),
    approveWorkSchema.parse({ ...(await signed(role, { approvalId: randomUUID(), workId })), ...change }),
  );
const fly = async (workId: string, change: object = {}, role: Role = 'instructor') =>
  recordCheckFlight(
    club.ports,
    club.actor(role),
    checkFlightSchema.parse({
      ...(await base(role)),
      checkFlightId: randomUUID(),
      flightId: null,
      workId,
      result: 'as-it-should',
      description: 'Circuits, stalls, trim: as before',
      ...change,
    }),
  );
/** What a flight of a kind answers, with nobody aboard but the crew. */
const answer = async (purpose: PlannedFlight['purpose']) => {
  const [stored] = await inTx((tx) => loadAircraft(tx, club.place, club.aircraftId, true));
  if (stored === undefined) throw new Error('no aircraft');
  const now = club.ports.now();
  const flight: PlannedFlight = {
    id: randomUUID(),
    starts: addSeconds(now, 1800),
    ends: addSeconds(now, 5400),
    airborne: hours('0.8'),
    purpose,
    crew: 'rated-pilot',
    rules: 'vfr',
    range: 'local',
    light: null,
    transponderAirspace: false,
    adsbAirspace: false,
    beyondGlideOverWater: false,
    passengers: false,
    ...UNSAID,
  };
  return decide(stored.facts, club.packs, flight, now).flight?.answer;
};
const later = (seconds = 60) => {
  club.ports.at = addSeconds(club.ports.at, seconds);
};
const FLIES = { ...NO_EFFECTS, mayChangeFlight: true, groundTestsConclusive: false };

beforeEach(async () => {
  club = await testClub();
});

describe('equipment that was exchanged', () => {
  it('takes what is on record of the old unit away, until the new one is entered', async () => {
    expect((await page()).verdict).toBe('Released');
    good(await record({ effects: { ...NO_EFFECTS, exchanged: ['elt'] } }));
    later();
    const after = await page();
    expect(after.verdict).not.toBe('Released');
    expect(JSON.stringify(after.reasons)).toContain('ELT');
  });

  it('on the static system says that it was opened', () => {
    const effects = { ...NO_EFFECTS, exchanged: ['altimeter'] };
    const refused = workEffectsSchema.safeParse(effects);
    expect(refused.error?.issues.map(({ path }) => path.join('.'))).toEqual(['exchanged']);
    expect(workEffectsSchema.safeParse({ ...effects, staticOpened: true }).success).toBe(true);
    expect(workEffectsSchema.safeParse({ ...NO_EFFECTS, exchanged: [] }).success).toBe(false);
  });
});

describe('work on an aircraft', () => {
  it('that is begun grounds it until a mechanic approves the work', async () => {
    const workId = randomUUID();
    expect((await page()).verdict).toBe('Released');
    good(await begin(workId, 'dispatcher'));
    later();
    expect((await page()).verdict).toBe('Grounded');
    expect(await open()).toMatchObject([
      { id: workId, on: '', approve: [{ name: expect.stringContaining('mechanic') }], checkFlight: null },
    ]);
    expect((await open('renter'))[0]?.approve).toEqual([]);
    good(await approve(workId));
    later();
    expect([(await page()).verdict, await open()]).toEqual(['Released', []]);
  });
  it('sent twice is begun once, and other words under the same id are refused', async () => {
    const workId = randomUUID();
    const first = good(await begin(workId));
    expect(good(await begin(workId)).revision).toBe(first.revision);
    expect(bad(await begin(workId, 'mechanic', 'Right brake taken apart')).code).toBe('conflict');
    expect((await open()).length).toBe(1);
  });
  it('that may have changed how it flies waits for a check flight by a rated pilot', async () => {
    const workId = randomUUID();
    good(await record({ workId, effects: FLIES }));
    later();
    const [work] = await open('instructor');
    expect(work).toMatchObject({ id: workId, approve: [], checkFlight: [{ id: expect.any(String) }] });
    // Grounded for what people fly it for; the check flight itself is open.
    expect((await page()).verdict).toBe('Grounded');
    expect([await answer('maintenance-check-flight'), await answer('private-rental')]).toEqual(['yes', 'no']);
    expect(bad(await fly(workId, {}, 'renter')).code).toBe('not-entitled');
    expect(bad(await fly(workId, { certificateId: club.certificateOf('mechanic') })).code).toBe(
      'not-entitled',
    );
    expect(bad(await fly(workId, { on: '2026-11-23' })).message).toContain('before the day');
    expect(bad(await fly(workId, { on: '2026-11-25' })).message).toContain('not come yet');
    expect(bad(await fly(workId, { password: 'wrong' })).message).toContain('password');
    good(await fly(workId));
    later();
    expect([(await page()).verdict, await open()]).toEqual(['Released', []]);
    expect(bad(await fly(workId)).message).toContain('on record already');
  });
  it('the check flight is one of its flights since, or none that is on record here', async () => {
    const flight = async (back: boolean, purpose = 'maintenance-check-flight') => {
      const id = randomUUID();
      const leftAt = club.ports.now();
      later();
      const at = club.ports.now();
      good(
        await loadRecords(club.ports, club.actor('dispatcher'), club.aircraftId, {
          ...NO_RECORDS,
          flights: [
            {
              id,
              personName: 'S. Lund',
              purpose,
              crew: 'rated-pilot',
              readings: [],
              fuelAboard: null,
              oilAboard: null,
              remarks: null,
              leftAt,
              recordedAt: leftAt,
              returned: !back
                ? null
                : {
                    readings: [],
                    landings: 1,
                    towLaunches: null,
                    billed: null,
                    billedFrom: null,
                    fuelAdded: null,
                    oilAdded: null,
                    report: { kind: 'nothing-to-report' },
                    at,
                    recordedAt: at,
                  },
            },
          ],
        }),
      );
      later();
      return id;
    };
    const before = await flight(true);
    const workId = randomUUID();
    good(await record({ workId, effects: FLIES }));
    later();
    const lesson = await flight(true, 'instruction-school-aircraft');
    const since = await flight(true);
    expect((await open())[0]?.flights.map(({ id }) => id)).toEqual([since, lesson]);
    expect(bad(await fly(workId, { flightId: lesson })).message).toContain('flown for something else');
    expect(bad(await fly(workId, { flightId: before })).message).toContain('left before the work');
    expect(bad(await fly(workId, { flightId: randomUUID() })).message).toContain('no such flight');
    expect(bad(await fly(workId, { flightId: since, on: '2026-11-25' })).code).toBe('invalid');
    const out = await flight(false);
    expect(bad(await fly(workId, { flightId: out })).message).toContain('not back yet');
    good(await fly(workId, { flightId: since }));
    expect(await open()).toEqual([]);
  });
  it('a check flight on which it did not fly as it should grounds it, and is still to be flown', async () => {
    const workId = randomUUID();
    good(await record({ workId, effects: FLIES }));
    later();
    good(await fly(workId, { result: 'not-as-it-should', description: 'Pulls to the left' }));
    later();
    const shown = await page('instructor');
    expect(shown.verdict).toBe('Grounded');
    expect(shown.findings).toMatchObject([{ what: 'On the check flight: Pulls to the left', done: null }]);
    expect(shown.work.open[0]?.checkFlight).toHaveLength(1);
  });
  it('ground tests that show conclusively that nothing changed spare the flight, and must be answered', async () => {
    good(await record({ effects: { ...FLIES, groundTestsConclusive: true } }));
    later();
    expect((await page()).verdict).toBe('Released');
    const parsed = recordWorkSchema.safeParse({
      ...(await signed('mechanic', { workId: randomUUID(), preventive: null })),
      effects: { ...FLIES, groundTestsConclusive: null },
    });
    expect(parsed.error?.issues[0]?.path).toEqual(['effects', 'groundTestsConclusive']);
  });
  it('an approval takes back nothing that the first entry said, and an earlier day takes no place', async () => {
    const workId = randomUUID();
    good(await record({ workId, effects: FLIES }));
    later();
    good(await approve(workId));
    later();
    expect((await open())[0]?.checkFlight).not.toBeNull();
    expect(bad(await approve(workId, { on: '2026-11-23' })).message).toContain('later day');
    good(await approve(workId, { effects: { ...FLIES, groundTestsConclusive: true } }));
    later();
    expect(await open()).toEqual([]);
  });
  it.each([
    ['a renter', 'renter', {}, 'not-entitled'],
    ['an instructor, for what a mechanic signs', 'instructor', {}, 'invalid'],
    [
      'a mechanic, for a major repair',
      'mechanic',
      { major: true, details: { ...DETAILS, form: '337' } },
      'invalid',
    ],
    ['a mechanic, for a day that has not come', 'mechanic', { on: '2026-11-25' }, 'invalid'],
    [
      'a mechanic with another one’s certificate',
      'mechanic',
      { certificateId: randomUUID() },
      'not-entitled',
    ],
    ['a mechanic who saw an older state', 'mechanic', { seenRevision: 1 }, 'conflict'],
  ] as const)('is not signed by %s', async (_, role, change, code) => {
    good(await begin(randomUUID()));
    expect(bad(await record(change, role)).code).toBe(code);
    expect((await inTx((tx) => logbookOf(tx, club.aircraftId, 40))).some(({ kind }) => kind === 'work')).toBe(
      false,
    );
  });
  it('a major repair names its form', async () => {
    const parsed = recordWorkSchema.safeParse({
      ...(await signed('mechanic', { workId: randomUUID(), preventive: null })),
      major: true,
    });
    expect(parsed.error?.issues[0]?.path).toEqual(['details', 'form']);
  });
  it('a pilot signs preventive maintenance, and it stands in the record with its words', async () => {
    good(
      await record(
        {
          preventive: 'c1',
          description: 'Replaced left main tyre and tube',
          details: {
            ...DETAILS,
            references: 'maintenance manual, chapter 32',
            parts: [{ name: 'Tyre', number: '600-6', serialOff: 'A1', serialOn: 'B2' }],
            timeInService: 4111,
          },
        },
        'instructor',
      ),
    );
    later();
    expect((await page()).verdict).toBe('Released');
    const own = await inTx((tx) => folder(tx, club.actor('mechanic'), 'N02TB', club.ports.now()));
    const entry = own?.logbook.find(({ kind }) => kind === 'work');
    expect(entry?.wording.split('\n')).toEqual([
      '24 Nov 2026. Airframe. Total time in service 4111.0 h.',
      'Replaced left main tyre and tube. Done in accordance with maintenance manual, chapter 32. Parts changed: Tyre, part no. 600-6, serial off A1, serial on B2.',
      'Approved for return to service with respect to the work described above.',
      expect.stringMatching(/flight instructor, /u),
    ]);
  });
  it('a repair of a finding that may have changed how it flies waits for its check flight', async () => {
    const [findingId, workId] = [randomUUID(), randomUUID()];
    good(
      await reportFinding(
        club.ports,
        club.actor('renter'),
        findingSchema.parse({
          findingId,
          aircraftId: club.aircraftId,
          station: 'wing',
          side: 'left',
          step: null,
          asListed: false,
          what: 'Aileron cable frayed',
          looks: 'would-not-fly',
          foundAt: '2026-11-24T12:00:00Z',
        }),
      ),
    );
    later();
    const repair = {
      rectificationId: randomUUID(),
      discrepancyId: findingId,
      seenRevision: (await page()).revision,
      work: 'repaired',
      description: 'Cable replaced.',
      completedOn: '2026-11-24',
      effects: { ...FLIES, flightControls: true },
      workId,
      certificateId: club.certificateOf('mechanic'),
      password: PASSWORD,
    };
    expect(returnToServiceSchema.safeParse({ ...repair, effects: null }).success).toBe(false);
    good(await returnToService(club.ports, club.actor('mechanic'), returnToServiceSchema.parse(repair)));
    later();
    expect((await page()).verdict).toBe('Grounded');
    good(await fly(workId));
    later();
    expect((await page()).verdict).toBe('Released');
  });
});

/** CAR 1988 reg 42G (from memory, less certain): a second person, who did not do the work. */
describe('the second inspection of flight controls', () => {
  beforeEach(async () => {
    club = await testClub({ packs: [{ id: 'au-maintenance-release' }] });
  });
  it('is signed by nobody whose certificate the rules do not name, nor before anybody approved the work', async () => {
    const workId = randomUUID();
    good(await begin(workId));
    later();
    const certificate = randomUUID();
    const inspect = async (role: Role, change: object = {}) =>
      recordIndependentInspection(
        club.ports,
        club.actor(role),
        independentInspectionSchema.parse({
          ...(await base(role)),
          inspectionId: randomUUID(),
          workId,
          description: 'Both ailerons, full travel, cables and stops',
          ...change,
        }),
      );
    expect(bad(await inspect('mechanic')).message).toContain('Nobody has approved this work yet');
    expect(bad(await inspect('renter')).code).toBe('not-entitled');
    good(await approve(workId, { effects: { ...NO_EFFECTS, flightControls: true } }));
    later();
    const [work] = await open();
    expect(work).toMatchObject({ approve: null, checkFlight: null, inspect: [{ id: expect.any(String) }] });
    // The one who did the work is not the second person.
    expect(bad(await inspect('mechanic')).message).toContain('You signed for this work yourself');
    // An instructor's certificate is none that the regulation names.
    expect(bad(await inspect('instructor')).code).toBe('invalid');
    good(
      await enterCertificate(
        club.ports,
        club.actor('administrator'),
        certificateSchema.parse({
          certificateId: certificate,
          personId: club.actor('dispatcher').personId,
          kind: 'pilot',
          number: 'P-77',
          validFrom: '2015-06-01',
          validUntil: 'no-expiry',
        }),
      ),
    );
    good(await inspect('dispatcher', { certificateId: certificate }));
    later();
    expect(await open()).toEqual([]);
    expect(bad(await inspect('dispatcher', { certificateId: certificate })).message).toContain('already');
  });
});

describe('by several people at once', () => {
  it('is approved once, and flown once: who was slower is told that the aircraft changed', async () => {
    const workId = randomUUID();
    const begun = await Promise.all([1, 2, 3, 4].map(() => begin(workId)));
    expect(new Set(begun.map((outcome) => good(outcome).revision)).size).toBe(1);
    later();
    // Each of them looked at the same page; every approval has an id of its own.
    const approvals = await Promise.all(
      [1, 2, 3, 4].map(() => approve(workId, { effects: FLIES, approvalId: randomUUID() })),
    );
    expect(approvals.filter(({ ok }) => ok)).toHaveLength(1);
    for (const outcome of approvals) if (!outcome.ok) expect(outcome.refusal.code).toBe('conflict');
    later();
    const flights = await Promise.all([1, 2, 3, 4].map(() => fly(workId)));
    expect(flights.filter(({ ok }) => ok)).toHaveLength(1);
    later();
    expect((await page()).verdict).toBe('Released');
  });
  it('is never both flown as it should and otherwise: the one that came first stands', async () => {
    const workId = randomUUID();
    good(await record({ workId, effects: FLIES }));
    later();
    const [one, other] = await Promise.all([
      fly(workId),
      fly(workId, { result: 'not-as-it-should', description: 'Left wing heavy' }),
    ]);
    expect([one.ok, other.ok].toSorted()).toEqual([false, true]);
    later();
    expect((await page()).verdict).toBe(one.ok ? 'Released' : 'Grounded');
  });
});
