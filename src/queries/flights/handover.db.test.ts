import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { restrict } from '@/commands/flights/dispatch-restriction';
import { reportFinding } from '@/commands/findings/report-finding';
import { beginWork } from '@/commands/maintenance/record-work';
import { addSeconds, type Instant } from '@/core/time/instant';
import { good } from '@/testing/database';
import { club, comeBack, freshDesk, inTx, later, leave, planned, start, text } from '@/testing/dispatch';
import { newNick } from '@/testing/entries';
import { release } from '@/testing/flight-release';
import { handover, handoverFrom } from './handover';

const look = (since: Instant = addSeconds(club.ports.now(), -3600)) =>
  inTx((tx) => handover(tx, club.clubId, since, club.ports.now()));
const open = async () =>
  (await look()).loops
    .filter(({ lines }) => lines.length > 0)
    .map(({ title, lines }) => [title, lines.map(({ words }) => words)]);

beforeEach(freshDesk);

describe('what the next on duty takes over', () => {
  it('is nothing where nothing is open', async () => {
    later(60);
    expect(await open()).toEqual([]);
    expect((await look()).notReleased).toEqual([]);
    expect((await look(club.ports.now())).changes).toEqual([]);
  });

  it('an aircraft that is released, then out, then overdue, then back', async () => {
    const flight = await planned();
    good(await release(club.ports, club.actor('dispatcher'), flight));
    expect(await open()).toEqual([['Released, and not left yet', [expect.stringContaining('R. Dane')]]]);
    later(60);
    good(await leave(flight, text(start)));
    expect(await open()).toEqual([['Aircraft out', [expect.stringContaining('; back by')]]]);
    later(6 * 3600);
    expect(await open()).toEqual([['Aircraft out', [expect.stringContaining('should have been back')]]]);
    good(await comeBack(flight, text(start + 3600)));
    expect(await open()).toEqual([]);
  });

  it('work that is begun, findings that nobody has decided about, and why an aircraft is not released', async () => {
    good(
      await beginWork(club.ports, club.actor('mechanic'), {
        workId: randomUUID(),
        aircraftId: club.aircraftId,
        description: 'Left brake taken apart',
      }),
    );
    good(await reportFinding(club.ports, club.actor('renter'), newNick(club)));
    later(60);
    expect(await open()).toEqual([
      ['Work begun and not approved', [expect.stringContaining('Left brake taken apart')]],
      ['Findings that nobody has decided about', ['New nick']],
    ]);
    expect((await look()).notReleased).toMatchObject([{ registration: 'N02TB', verdict: 'Grounded' }]);
  });

  it('of the last shift where nobody says, and of no longer than 14 days', () => {
    const now = club.ports.now();
    const day = 86_400;
    expect(handoverFrom(null, now)).toBe(addSeconds(now, -day / 2));
    expect(handoverFrom(addSeconds(now, -14 * day), now)).toBe(addSeconds(now, -14 * day));
    expect([handoverFrom(addSeconds(now, 1), now), handoverFrom(addSeconds(now, -15 * day), now)]).toEqual([
      null,
      null,
    ]);
  });

  it('what was recorded since, newest first, and nothing from before', async () => {
    const before = club.ports.now();
    later(3600);
    good(
      await restrict(club.ports, club.actor('instructor'), {
        restrictionId: randomUUID(),
        aircraftId: club.aircraftId,
        why: 'rough running',
        closes: ['night'],
        until: null,
      }),
    );
    later(60);
    const { changes } = await look(addSeconds(club.ports.now(), -1800));
    expect(changes.map(({ words }) => words)).toEqual([expect.stringContaining('rough running')]);
    expect((await look(before)).changes.length).toBeGreaterThan(1);
  });
});
