import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { bad, good, testClub } from '@/testing/database';
import { TANKS, walking, type TestClub } from '@/testing/walk-round';
import { rampWalk } from '@/queries/walkround/ramp-walk';
import { setMethod } from './set-method';
import { USUAL_METHOD } from '@/core/walkround/method';
type Role = Parameters<TestClub['actor']>[0];

let club: TestClub;
beforeEach(async () => {
  club = await testClub({ aircraft: TANKS });
});
const { inTx, later, begin, codes, answerOf, send, planOf, sign, walk } = walking(() => club);

describe('what the phone gets', () => {
  const phone = (who: Role = 'renter') =>
    inTx((tx) => rampWalk(tx, club.clubId, 'N02TB', club.actor(who), null, club.ports.now()));

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
    expect(
      await inTx((tx) => rampWalk(tx, club.clubId, 'N99TB', club.actor('renter'), null, club.ports.now())),
    ).toBeNull();
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
