import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { bad, good, testClub } from '@/testing/database';
import { TANKS, walking, type TestClub } from '@/testing/walk-round';
import { addSeconds, instantText } from '@/core/time/instant';
import { findWalkround } from '@/db/walkround/walkrounds';
import { line } from '@/queries/aircraft/line';
import { rampProgress } from '@/queries/walkround/progress';
import { reportFinding } from '../findings/report-finding';
import { beginWalkround } from './begin';

let club: TestClub;
beforeEach(async () => {
  club = await testClub({ aircraft: TANKS });
});
const { inTx, later, begin, stored, flightAnswer, codes, answerOf, send, planOf, sign, walk } = walking(
  () => club,
);

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
        ...TANKS,
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
        kind: 'walk-round',
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
