import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { reportFinding } from '@/commands/findings/report-finding';
import { triageFinding } from '@/commands/findings/triage';
import { restrict } from '@/commands/flights/dispatch-restriction';
import { good } from '@/testing/database';
import { club, freshDesk, inTx, later, planned } from '@/testing/dispatch';
import { newNick } from '@/testing/entries';
import { release } from '@/testing/flight-release';
import { safetyFleet, safetyPage } from './safety';

const DAY = 86_400;
const fleet = (role: 'instructor' | 'administrator' = 'instructor') =>
  inTx((tx) =>
    safetyFleet(tx, { clubId: club.clubId, roles: [role] }, { days: 30, from: 0 }, club.ports.now()),
  );
const page = () => inTx((tx) => safetyPage(tx, club.clubId, 30, club.ports.now()));

beforeEach(freshDesk);

describe('the safety page', () => {
  it('tells how long an aircraft was on the ground, and by which rule', async () => {
    later(2 * DAY);
    good(
      await reportFinding(club.ports, club.actor('renter'), { ...newNick(club), foundAt: club.ports.now() }),
    );
    later(DAY);
    const { rows, total } = await fleet();
    expect(total).toBe(1);
    const [row] = rows;
    if (row === undefined) throw new Error('the club has an aircraft');
    const { Released, Restricted, Grounded } = row.hours;
    // To the last full hour: at most an hour less than the day since the finding.
    expect(Grounded).toBeGreaterThan(22.9);
    expect(Grounded).toBeLessThanOrEqual(24);
    expect(Released + Restricted).toBeGreaterThan(47);
    const nick = row.causes.find(({ rule }) => rule === 'open-discrepancies');
    expect(nick?.hours).toBeCloseTo(Grounded, 6);
    expect(nick?.title).not.toContain('-');
    expect(
      (
        await inTx((tx) =>
          safetyFleet(tx, { clubId: club.clubId, roles: [] }, { days: 30, from: 1 }, club.ports.now()),
        )
      ).rows,
    ).toEqual([]);
  });

  it('tells how long findings waited, and what releases came to', async () => {
    const flight = await planned();
    good(await release(club.ports, club.actor('dispatcher'), flight));
    later(60);
    const nick = newNick(club);
    good(await reportFinding(club.ports, club.actor('renter'), { ...nick, foundAt: club.ports.now() }));
    good(
      await restrict(club.ports, club.actor('instructor'), {
        restrictionId: randomUUID(),
        aircraftId: club.aircraftId,
        why: 'rough running',
        closes: ['night'],
        until: null,
      }),
    );
    const before = await page();
    expect([before.undecided, before.open]).toEqual([1, 1]);
    // Something new came up: the release is void.
    expect(before.releases).toEqual({
      signed: 1,
      withRestrictions: 0,
      ended: [{ why: 'void', count: 1 }],
    });
    later(2 * 3600);
    good(
      await triageFinding(club.ports, club.actor('mechanic'), {
        triageId: randomUUID(),
        discrepancyId: nick.findingId,
        aircraftId: club.aircraftId,
        decision: 'stays',
        note: '',
      }),
    );
    const after = await page();
    expect([after.undecided, after.open]).toEqual([0, 1]);
    expect(after.months.find(({ reported }) => reported === 1)?.toDecision).toMatchObject({
      count: 1,
      median: 2,
    });
  });
});
