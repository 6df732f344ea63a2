import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { walkroundEventsSchema, type WalkroundEventInput } from '@/contracts/walkround/walkround';
import { decide } from '@/core/decision/decide';
import { hours } from '@/core/quantities/hours';
import { QUANTITIES } from '@/core/records/walkround/measurement';
import { UNSAID, type PlannedFlight } from '@/core/records/flights/planned-flight';
import type { PlanStep } from '@/core/walkround/plan';
import { addSeconds, instantText } from '@/core/time/instant';
import { loadAircraft } from '@/db/aircraft/aircraft-facts';
import { inClub } from '@/db/kernel/club-transaction';
import { findWalkround } from '@/db/walkround/walkrounds';
import { line } from '@/queries/aircraft/line';
import { rampWalk } from '@/queries/walkround/ramp-walk';
import { rampProgress } from '@/queries/walkround/progress';
import { bad, good, testClub } from '@/testing/database';
import { factSchema } from '@/contracts/aircraft/aircraft-entry';
import { enterFact } from '../aircraft/enter-fact';
import { reportFinding } from '../findings/report-finding';
import { answerWalkround } from './answer';
import { announce, recordAnnounced } from './announce';
import { beginWalkround } from './begin';
import { endWalkround } from './end';
import { setMethod } from './set-method';
import { USUAL_METHOD } from '@/core/walkround/method';

type Role = Parameters<Awaited<ReturnType<typeof testClub>>['actor']>[0];
let club: Awaited<ReturnType<typeof testClub>>;
const tanks = {
  fuel: {
    minimum: { amount: 4, unit: 'US gal' },
    burnPerHour: { amount: 8, unit: 'US gal' },
    tanks: [
      { id: 'left', usable: { amount: 18, unit: 'US gal' } },
      { id: 'right', usable: { amount: 18, unit: 'US gal' } },
    ],
    drains: ['left', 'right', 'strainer'],
  },
};
beforeEach(async () => {
  club = await testClub({ aircraft: tanks });
});

const inTx = <T>(work: Parameters<typeof inClub<T>>[2]) => inClub(club.ports.db, club.clubId, work);
const later = (seconds: number) => {
  club.ports.at = addSeconds(club.ports.at, seconds);
};
const begin = (walkroundId: string = randomUUID(), who: Role = 'renter') =>
  beginWalkround(club.ports, club.actor(who), {
    walkroundId,
    aircraftId: club.aircraftId,
    flightId: null,
    begunAt: club.ports.now(),
  });
const stored = async () => {
  const [one] = await inTx((tx) => loadAircraft(tx, club.place, club.aircraftId, true));
  if (one === undefined) throw new Error('no aircraft');
  return one;
};
/** What the aircraft answers for a flight in half an hour. */
const flightAnswer = async () => {
  const { facts } = await stored();
  const now = club.ports.now();
  const flight: PlannedFlight = {
    id: randomUUID(),
    starts: addSeconds(now, 1800),
    ends: addSeconds(now, 5400),
    airborne: hours('0.8'),
    purpose: 'private-rental',
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
  return decide(facts, club.packs, flight, now);
};
const codes = async () => {
  const decision = await flightAnswer();
  return [...decision.constraints, ...(decision.flight?.own ?? [])].map(({ reason }) => reason.code);
};
const UNITS = {
  pL: ['mL', 1e9],
  um: ['mm', 1000],
  mV: ['V', 1000],
  Pa: ['kPa', 1000],
  rpm: ['rpm', 1],
  good: ['good', 1],
} as const;
/** A figure inside every limit of a step. */
function figureInside({ quantity, limits }: Extract<PlanStep['asks'], { kind: 'figure' }>) {
  const [unit, factor] = UNITS[QUANTITIES[quantity]];
  const least = Math.max(0, ...limits.map(({ min, open }) => (min ?? 0) + (open ? factor : 0)));
  return { kind: 'figure', amount: String(Math.ceil(least / factor)), unit } as const;
}
let count = 0;
const answerOf = (
  step: PlanStep,
  change: Partial<Extract<WalkroundEventInput, { kind: 'answer' }>> = {},
): Extract<WalkroundEventInput, { kind: 'answer' }> => ({
  eventId: randomUUID(),
  number: (count += 1),
  kind: 'answer',
  key: step.key,
  answer: 'fine',
  because: null,
  at: instantText(club.ports.now()),
  took: 4000,
  findingId: null,
  measured:
    step.asks.kind === 'fuel'
      ? { kind: 'figure', amount: '17', unit: 'US gal' }
      : step.asks.kind === 'figure'
        ? figureInside(step.asks)
        : step.asks.kind === 'sample'
          ? { kind: 'sample', result: 'clean' }
          : null,
  ...change,
});
const send = (walkroundId: string, events: readonly WalkroundEventInput[], who: Role = 'renter') =>
  answerWalkround(
    club.ports,
    club.actor(who),
    walkroundEventsSchema.parse({ walkroundId, aircraftId: club.aircraftId, events }),
  );
const planOf = async (walkroundId: string) =>
  (await inTx((tx) => findWalkround(tx, walkroundId)))?.plan.steps ?? [];
const sign = (walkroundId: string, who: Role = 'renter', how: 'signed' | 'given-up' = 'signed') =>
  endWalkround(club.ports, club.actor(who), {
    walkroundId,
    aircraftId: club.aircraftId,
    how,
    at: club.ports.now(),
  });
/** A whole walk-round, all fine but what is changed by step. */
const walk = async (
  change: Readonly<Record<string, Partial<Extract<WalkroundEventInput, { kind: 'answer' }>>>> = {},
) => {
  const id = randomUUID();
  good(await begin(id));
  later(60);
  const steps = await planOf(id);
  const events = steps.map((step) => answerOf(step, change[step.key] ?? {}));
  for (let at = 0; at < events.length; at += 150) good(await send(id, events.slice(at, at + 150)));
  later(60);
  return { id, steps, events };
};

describe('a walk-round', () => {
  it('is begun once, by anybody with a role, with the plan of that moment', async () => {
    const id = randomUUID();
    const first = good(await begin(id));
    expect(first.steps).toBeGreaterThan(100);
    expect(good(await begin(id))).toEqual(first);
    expect(bad(await begin(id, 'student')).message).toContain('has this id already');
    expect((await planOf(id)).length).toBe(first.steps);
  });

  it('makes a flight wait until it is finished and signed; then fuel, oil and samples are there too', async () => {
    expect(await codes()).not.toContain('walk-round-missing');
    const id = randomUUID();
    good(await begin(id));
    expect(await codes()).toContain('walk-round-unfinished');
    later(1);
    const { id: whole } = await walk();
    expect(await codes()).toContain('walk-round-unsigned');
    good(await sign(whole));
    expect((await flightAnswer()).flight?.answer).toBe('yes');
    expect((await flightAnswer()).notChecked).not.toContain('walk-round');
  });

  it('never makes the Line worse while somebody is on the ramp', async () => {
    const verdict = async () =>
      (await inTx((tx) => line(tx, club.clubId, club.ports.now(), true))).rows[0]?.verdict;
    const before = await verdict();
    good(await begin());
    expect(await verdict()).toBe(before);
  });

  it('what was sent twice is there once; the same id with another answer is refused', async () => {
    const id = randomUUID();
    good(await begin(id));
    const [step] = await planOf(id);
    if (step === undefined) throw new Error('no step');
    const event = answerOf(step);
    expect(good(await send(id, [event])).received).toBe(1);
    const { revision } = good(await send(id, [event]));
    expect(good(await send(id, [event]))).toEqual({ received: 0, revision });
    expect(bad(await send(id, [{ ...event, answer: 'not-seen', because: 'dark' }])).code).toBe('conflict');
  });

  it('an answer before its walk-round, or of another aircraft’s, is told so and comes again', async () => {
    const [id] = [randomUUID()];
    expect(
      bad(
        await send(id, [
          { eventId: randomUUID(), number: 1, kind: 'interrupted', at: instantText(club.ports.now()) },
        ]),
      ).code,
    ).toBe('not-found');
  });

  it('a step that nobody saw keeps the aircraft until somebody has, whoever that is', async () => {
    const { id, steps } = await walk({ K002: { answer: 'not-seen', because: 'dark', measured: null } });
    good(await sign(id));
    expect((await flightAnswer()).verdict).toBe('Grounded');
    expect(await codes()).toContain('step-not-seen');
    const step = steps.find(({ key }) => key === 'K002');
    if (step === undefined) throw new Error('no such step');
    good(await send(id, [answerOf(step, { number: 9999 })], 'instructor'));
    expect(await codes()).not.toContain('step-not-seen');
    expect((await flightAnswer()).flight?.answer).toBe('yes');
  });

  it('to begin another walk-round opens nothing that nobody saw, and it is not given up unseen', async () => {
    const { id, steps } = await walk({ K002: { answer: 'not-seen', because: 'dark', measured: null } });
    later(1);
    const second = randomUUID();
    good(await begin(second, 'student'));
    expect((await flightAnswer()).verdict).toBe('Grounded');
    expect(await codes()).toEqual(expect.arrayContaining(['step-not-seen', 'walk-round-unfinished']));
    expect(bad(await sign(id, 'dispatcher', 'given-up')).message).toContain('was not seen on it');
    // Seen on the other one, and later, it is seen; seen before it was not.
    const step = steps.find(({ key }) => key === 'K002');
    if (step === undefined) throw new Error('no such step');
    later(1);
    good(await send(second, [answerOf(step)], 'student'));
    expect(await codes()).not.toContain('step-not-seen');
  });

  it('of two that were begun at one moment the one that is not finished holds', async () => {
    const [one, other] = [randomUUID(), randomUUID()];
    good(await begin(one));
    good(await begin(other, 'student'));
    const steps = await planOf(one);
    const events = steps.map((step) => answerOf(step));
    for (let at = 0; at < events.length; at += 150) good(await send(one, events.slice(at, at + 150)));
    good(await sign(one));
    expect(await codes()).toContain('walk-round-unfinished');
  });

  it('half seen is not seen, and a step of the record alone keeps nothing', async () => {
    const { id } = await walk({
      K048: { answer: 'not-seen', because: 'other' },
      K003: { answer: 'partly-seen', because: 'covered' },
    });
    good(await sign(id));
    const unseen = (await flightAnswer()).constraints.filter(({ reason }) => reason.code === 'step-not-seen');
    expect(unseen).toHaveLength(1);
  });

  it('an interruption takes the last two answers back, and they are asked again', async () => {
    const { id, steps } = await walk();
    const [, second] = [...steps].reverse();
    good(
      await send(id, [
        { eventId: randomUUID(), number: 5000, kind: 'interrupted', at: instantText(club.ports.now()) },
      ]),
    );
    expect(bad(await sign(id)).message).toContain('2 of');
    later(1);
    const [last] = [...steps].reverse();
    if (last === undefined || second === undefined) throw new Error('no steps');
    good(await send(id, [answerOf(second, { number: 5001 }), answerOf(last, { number: 5002 })]));
    good(await sign(id));
  });

  it('only the person who did it signs it; the desk gives it up, and then it counts for nothing', async () => {
    const { id } = await walk({
      'K125.left': { answer: 'found', measured: { kind: 'sample', result: 'water' } },
    });
    expect(bad(await sign(id, 'instructor')).code).toBe('not-entitled');
    expect(bad(await sign(id, 'renter', 'given-up')).code).toBe('not-entitled');
    good(await sign(id, 'dispatcher', 'given-up'));
    good(await sign(id, 'dispatcher', 'given-up'));
    expect(bad(await sign(id)).message).toContain('gave this walk-round up');
    // What was found stays.
    expect(await codes()).toContain('sample-not-clean');
    expect(await codes()).not.toContain('walk-round-unsigned');
  });

  it('is judged from its first figure on: too little oil, a gauge that differs, water', async () => {
    const id = randomUUID();
    club = await testClub({
      aircraft: {
        ...tanks,
        measured: [{ quantity: 'oil', unit: 'US qt', min: 4, max: 8, remedy: 'top-up' }],
      },
    });
    good(await begin(id));
    const steps = await planOf(id);
    const at = (key: string) => steps.find((step) => step.key === key) ?? steps[0];
    const [oil, gauge, dip, sample] = ['K195', 'K053.left', 'K120.left', 'K125.left'].map(at);
    if (oil === undefined || gauge === undefined || dip === undefined || sample === undefined)
      throw new Error('no such steps');
    good(
      await send(id, [
        answerOf(oil, { measured: { kind: 'figure', amount: '3,5', unit: 'US qt' } }),
        answerOf(gauge, { measured: { kind: 'figure', amount: '15', unit: 'US gal' } }),
        answerOf(dip, { measured: { kind: 'figure', amount: '9.5', unit: 'US gal' } }),
        answerOf(sample, { answer: 'found', measured: { kind: 'sample', result: 'water' } }),
      ]),
    );
    expect(await codes()).toEqual(
      expect.arrayContaining(['measured-outside', 'gauge-differs', 'sample-not-clean']),
    );
  });

  it.each([
    ['a unit of something else', 'K120.left', { measured: { kind: 'figure', amount: '9', unit: 'psi' } }],
    ['a sample where a tank is dipped', 'K120.left', { measured: { kind: 'sample', result: 'clean' } }],
    ['nothing where something is measured', 'K120.left', { measured: null }],
    ['something found without a finding', 'K137.left', { answer: 'found' }],
    ['a cup of water called fine', 'K125.left', { measured: { kind: 'sample', result: 'water' } }],
    ['a figure where one only looks', 'K002', { measured: { kind: 'figure', amount: '9', unit: 'US gal' } }],
  ] as const)('%s is refused with what to do, and nothing of it is kept', async (_, key, change) => {
    const id = randomUUID();
    good(await begin(id));
    const step = (await planOf(id)).find((one) => one.key === key);
    if (step === undefined) throw new Error('no such step');
    const refusal = bad(await send(id, [answerOf(step, change)]));
    expect(refusal.code).toBe('invalid');
    expect(refusal.message).toContain(step.title);
    expect((await inTx((tx) => findWalkround(tx, id)))?.events).toEqual([]);
  });

  it('a finding of a step comes before its answer, and of another aircraft is refused', async () => {
    const id = randomUUID();
    good(await begin(id));
    const step = (await planOf(id)).find(({ key }) => key === 'K137.left');
    if (step === undefined) throw new Error('no such step');
    const findingId = randomUUID();
    const event = answerOf(step, { answer: 'found', findingId });
    expect(bad(await send(id, [event])).code).toBe('not-found');
    good(
      await reportFinding(club.ports, club.actor('renter'), {
        findingId,
        aircraftId: club.aircraftId,
        station: 'main-gear',
        side: 'left',
        step: 'K137',
        asListed: true,
        what: 'Cord shows',
        looks: 'would-not-fly',
        foundAt: club.ports.now(),
      }),
    );
    expect(good(await send(id, [event])).received).toBe(1);
    const { facts } = await stored();
    const progress = await inTx((tx) => rampProgress(tx, club.aircraftId, facts, club.place.zone));
    expect(progress.walkround?.found).toEqual([{ title: step.title, place: step.place }]);
  });

  it('a walk-round of before the last flight does not count after it, though the phone’s clock ran two hours ahead', async () => {
    const { ports } = club;
    const walkroundId = randomUUID();
    const said = addSeconds(ports.now(), 7200);
    later(3600);
    good(
      await beginWalkround(ports, club.actor('renter'), {
        walkroundId,
        aircraftId: club.aircraftId,
        flightId: null,
        begunAt: said,
        sentAt: addSeconds(ports.now(), 7200),
      }),
    );
    // Begun an hour ago, whatever the phone called it.
    const walkround = await inTx((tx) => findWalkround(tx, walkroundId));
    expect(walkround?.begunAt).toBe(addSeconds(ports.now(), -3600));
  });

  it('a phone whose clock runs ahead, or lies before the walk-round, changes no order', async () => {
    const id = randomUUID();
    good(await begin(id));
    later(60);
    const [first, second] = await planOf(id);
    if (first === undefined || second === undefined) throw new Error('no steps');
    good(
      await send(id, [
        answerOf(first, { at: '2031-01-01T00:00:00Z' }),
        answerOf(second, { at: '2020-01-01T00:00:00Z' }),
      ]),
    );
    const walkround = await inTx((tx) => findWalkround(tx, id));
    for (const { at } of walkround?.events ?? []) {
      expect(at).toBeGreaterThanOrEqual(walkround?.begunAt ?? 0);
      expect(at).toBeLessThanOrEqual(club.ports.now());
    }
  });
});

describe('what was announced', () => {
  const open = async (act: 'add-oil' | 'add-fuel' | 'drain-again', amount: string | null = null) => {
    const announcedId = randomUUID();
    good(
      await announce(club.ports, club.actor('student'), {
        announcedId,
        aircraftId: club.aircraftId,
        act,
        which: act === 'add-fuel' ? 'left' : null,
        amount: amount === null ? null : { amount, unit: 'US gal' },
        at: club.ports.now(),
      }),
    );
    return announcedId;
  };
  const done = (announcedId: string, amount: string | null, who: Role = 'renter') =>
    recordAnnounced(club.ports, club.actor(who), {
      doneId: randomUUID(),
      aircraftId: club.aircraftId,
      announcedId,
      amount: amount === null ? null : { amount, unit: 'US gal' },
      grade: null,
      at: club.ports.now(),
    });

  it('makes a flight wait until somebody records it done, with how much', async () => {
    const id = await open('add-fuel', '8');
    expect(await codes()).toContain('announced-open');
    expect(bad(await done(id, null)).message).toContain('how much fuel');
    good(await done(id, '8'));
    expect(await codes()).not.toContain('announced-open');
    expect(bad(await done(id, '8')).message).toContain('not open any more');
  });

  it('fuel that was put in makes the dips and samples of before old', async () => {
    const { id } = await walk();
    good(await sign(id));
    expect((await flightAnswer()).flight?.answer).toBe('yes');
    const announced = await open('add-fuel', '1');
    good(await done(announced, '1'));
    expect(await codes()).toEqual(expect.arrayContaining(['fuel-aboard-unknown', 'sample-needed']));
  });

  it.each([
    ['renter', true],
    ['dispatcher', true],
    ['student', false],
    ['safety-officer', false],
  ] as const)('oil is a pilot’s, a mechanic’s or the desk’s to record: a %s %s', async (who, may) => {
    const id = await open('add-oil', '1');
    expect((await done(id, '1', who)).ok).toBe(may);
  });
});

describe('what the walk-round of an aircraft rests on', () => {
  const enter = (
    who: Role,
    change: object = {},
    instead: string | null = null,
    factId: string = randomUUID(),
  ) =>
    enterFact(
      club.ports,
      club.actor(who),
      factSchema.parse({
        factId,
        aircraftId: club.aircraftId,
        fact: {
          kind: 'ramp-data',
          instead,
          data: {
            features: ['powered'],
            without: ['K021'],
            blades: 3,
            tab: 'servo',
            propeller: 'never',
            oilMethod: null,
            sampleSeconds: 5,
            dips: [
              {
                tank: 'left',
                unit: 'stick',
                points: [
                  { reads: 1, holds: { amount: 2, unit: 'US gal' } },
                  { reads: 3, holds: { amount: 6, unit: 'US gal' } },
                ],
              },
            ],
            ...change,
          },
        },
      }),
    );
  it('is any record keeper’s to say first, and a mechanic’s or the administrator’s to replace', async () => {
    const first = good(await enter('dispatcher'));
    expect(bad(await enter('dispatcher', {}, first.factId)).code).toBe('not-entitled');
    expect(bad(await enter('renter', {}, first.factId)).code).toBe('not-entitled');
    good(await enter('mechanic', { features: ['powered', 'metal'] }, first.factId));
  });

  it('decides which steps there are, and by which table a stick is read', async () => {
    const whole = good(await begin()).steps;
    good(await enter('mechanic'));
    later(1);
    const id = randomUUID();
    expect(good(await begin(id)).steps).toBeLessThan(whole);
    const steps = await planOf(id);
    expect(steps.filter(({ code }) => code === 'K217')).toHaveLength(3);
    const dip = steps.find(({ key }) => key === 'K120.left');
    if (dip === undefined) throw new Error('no dip');
    good(await send(id, [answerOf(dip, { measured: { kind: 'figure', amount: '2', unit: 'stick' } })]));
    const { facts } = await stored();
    expect(facts.ramp?.measurements).toMatchObject([
      { quantity: 'fuel-dip', which: 'left', value: 4 * 3_785_411_784_000 },
    ]);
    const over = answerOf(dip, { measured: { kind: 'figure', amount: '3.5', unit: 'stick' } });
    expect(bad(await send(id, [over])).message).toContain('more than its table');
  });

  it('a stick of a tank that the aircraft has not, or that does not rise, is refused', async () => {
    const points = [
      { reads: 1, holds: { amount: 2, unit: 'US gal' } },
      { reads: 2, holds: { amount: 3, unit: 'US gal' } },
    ];
    expect(
      bad(await enter('mechanic', { dips: [{ tank: 'tip', unit: 'stick', points }] })).message,
    ).toContain('left, right');
    expect(
      () => void enter('mechanic', { dips: [{ tank: 'left', unit: 'stick', points: points.toReversed() }] }),
    ).toThrow(/rise/);
  });
});

describe('what the phone gets', () => {
  const phone = (who: Role = 'renter') =>
    inTx((tx) => rampWalk(tx, club.clubId, 'N02TB', club.actor(who).personId, null, club.ports.now()));

  it('is its own walk-round with what was answered, also on another day’s plan; and nothing of an aircraft that is not there', async () => {
    const id = randomUUID();
    good(await begin(id));
    const [step] = await planOf(id);
    if (step === undefined) throw new Error('no step');
    good(await send(id, [answerOf(step)]));
    expect((await phone())?.current).toMatchObject({
      walkroundId: id,
      signed: false,
      answers: [{ key: step.key, answer: 'fine' }],
    });
    expect((await phone('student'))?.current).toMatchObject({ by: 'The renter' });
    expect(await inTx((tx) => rampWalk(tx, club.clubId, 'N99TB', 'x', null, club.ports.now()))).toBeNull();
  });

  it('is the short list only where the school says so, and the first of the day saw everything', async () => {
    const list = async () => (await phone('student'))?.plan.list;
    const { id } = await walk();
    good(await sign(id));
    expect(await list()).toBe('whole');
    good(
      await setMethod(club.ports, club.actor('administrator'), {
        changeId: randomUUID(),
        seen: 0,
        required: true,
        method: { ...USUAL_METHOD, between: 'short-list' },
      }),
    );
    expect(await list()).toBe('short');
    later(86_400);
    expect(await list()).toBe('whole');
    // Asked for by the school, a flight of the next day waits for one that nobody has begun.
    expect(await codes()).toContain('walk-round-missing');
  });

  it('a school’s order that breaks a rule is refused with the rule, and by somebody without the role', async () => {
    const change = {
      changeId: randomUUID(),
      seen: 0,
      required: false,
      method: { ...USUAL_METHOD, order: ['K067', 'K004'] },
    };
    expect(bad(await setMethod(club.ports, club.actor('administrator'), change)).message).toContain('melts');
    expect(bad(await setMethod(club.ports, club.actor('dispatcher'), change)).code).toBe('not-entitled');
    const right = { ...change, method: { ...USUAL_METHOD, order: ['K004', 'K067'] } };
    expect(good(await setMethod(club.ports, club.actor('instructor'), right)).number).toBe(1);
    expect(good(await setMethod(club.ports, club.actor('instructor'), right)).number).toBe(1);
    expect(
      bad(await setMethod(club.ports, club.actor('instructor'), { ...right, changeId: randomUUID() })).code,
    ).toBe('conflict');
  });
});
