import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { bad, good, testClub } from '@/testing/database';
import { TANKS, walking, type TestClub } from '@/testing/walk-round';
import { announce, recordAnnounced } from './announce';
type Role = Parameters<TestClub['actor']>[0];

let club: TestClub;
beforeEach(async () => {
  club = await testClub({ aircraft: TANKS });
});
const { flightAnswer, codes, sign, walk } = walking(() => club);

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
