import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { reportFinding } from '@/commands/findings/report-finding';
import { good, testClub } from '@/testing/database';
import { TANKS, walking, type TestClub } from '@/testing/walk-round';
import { aircraftTrends } from './trends';

let club: TestClub;
beforeEach(async () => {
  club = await testClub({ aircraft: TANKS });
});
const { inTx, later, walk, sign } = walking(() => club);
const trends = (roles: readonly string[], registration = 'N02TB') =>
  inTx((tx) => aircraftTrends(tx, club.clubId, registration, roles, club.ports.now()));
const found = async (step: string) => {
  good(
    await reportFinding(club.ports, club.actor('student'), {
      findingId: randomUUID(),
      aircraftId: club.aircraftId,
      station: 'main-gear',
      side: 'left',
      step,
      asListed: true,
      what: 'Cut in the tyre',
      looks: 'not-right',
      foundAt: club.ports.now(),
    }),
  );
};

describe('what the walk-rounds of an aircraft have taught', () => {
  it('names the walk-rounds that passed what was found later, to those who teach from it', async () => {
    const { id } = await walk({ 'K136.left': { took: 300 } });
    good(await sign(id));
    later(3600);
    await found('K136');
    const taught = await trends(['instructor']);
    expect(taught?.passed).toMatchObject([
      {
        what: 'Cut in the tyre',
        where: 'left main gear',
        checks: [{ by: 'The renter', seconds: 0.3, isTooFast: true }],
      },
    ]);
    expect((await trends(['safety-officer']))?.passed).toHaveLength(1);
    expect((await trends(['renter', 'student', 'dispatcher', 'mechanic']))?.passed).toBeNull();
  });

  it('leaves out what was found before anybody walked, and a step that nobody saw', async () => {
    await found('K136');
    later(60);
    await walk({ 'K140.left': { answer: 'not-seen', because: 'dark', measured: null } });
    later(60);
    await found('K140');
    expect((await trends(['instructor']))?.passed).toEqual([]);
  });

  it('follows the figures and cups of every walk-round; an aircraft that is not the club’s has none', async () => {
    await walk();
    later(3600);
    await walk();
    const taught = await trends(['renter']);
    expect(taught?.trends.map(({ name }) => name)).toContain('Gauge less dip, left');
    expect(taught?.water.map(({ words }) => words.slice(0, 30))).toContain('Left: water in 0 of the last 2');
    expect(await trends(['renter'], 'N99TB')).toBeNull();
  });
});
