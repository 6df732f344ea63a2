import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { bad, good, testClub } from '@/testing/database';
import { TANKS, walking, type TestClub } from '@/testing/walk-round';
import { factSchema } from '@/contracts/aircraft/aircraft-entry';
import { enterFact } from '../aircraft/enter-fact';
type Role = Parameters<TestClub['actor']>[0];

let club: TestClub;
beforeEach(async () => {
  club = await testClub({ aircraft: TANKS });
});
const { later, begin, stored, answerOf, send, planOf } = walking(() => club);

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
