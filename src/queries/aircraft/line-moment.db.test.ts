import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { reportFinding } from '@/commands/findings/report-finding';
import { restrict } from '@/commands/flights/dispatch-restriction';
import { addSeconds, type Instant } from '@/core/time/instant';
import { civilDateAt } from '@/core/time/zone';
import { good } from '@/testing/database';
import { club, comeBack, freshDesk, inTx, later, leave, planned, row, start, text } from '@/testing/dispatch';
import { newNick } from '@/testing/entries';
import type { LineRow } from './line';
import { lineAt } from './line-moment';

const DAY = 86_400;
const at = (moment: Instant, from = 0, most = 60) =>
  inTx((tx) => lineAt(tx, club.clubId, { at: moment, from, most }, club.ports.now()));
const rowAt = async (moment: Instant) => (await at(moment))?.rows[0];
/** What a row says of the aircraft; measured quantities and later flights stand on the Line of now alone. */
const said = (shown: LineRow | undefined) =>
  shown === undefined
    ? null
    : {
        verdict: shown.verdict,
        openFor: shown.openFor,
        reasons: shown.reasons.map(({ headline, meaning }) => `${headline} ${meaning}`),
        next: shown.next,
        openItems: shown.openItems,
        out: shown.out,
      };

beforeEach(freshDesk);

describe('the Line at a moment that is over', () => {
  it('says what it said then, whatever was recorded since', async () => {
    const shown: (readonly [Instant, ReturnType<typeof said>, readonly (readonly [string, string])[]])[] = [];
    const look = async () => {
      later(60);
      const now = await row();
      shown.push([
        club.ports.now(),
        said(now),
        now?.flights.map(({ name, answer }) => [name, answer] as const) ?? [],
      ]);
      later(60);
    };
    await look();
    const flight = await planned();
    await look();
    good(await leave(flight, text(start)));
    await look();
    later(3600);
    good(await comeBack(flight, text(start + 3600)));
    await look();
    good(
      await restrict(club.ports, club.actor('instructor'), {
        restrictionId: randomUUID(),
        aircraftId: club.aircraftId,
        why: 'rough running',
        closes: ['night'],
        until: null,
      }),
    );
    await look();
    good(await reportFinding(club.ports, club.actor('renter'), newNick(club)));
    await look();
    later(5 * DAY);
    expect(shown.map(([, told]) => told?.verdict)).toEqual([
      'Released',
      'Released',
      'Released',
      'Released',
      'Restricted',
      'Grounded',
    ]);
    for (const [moment, told, flights] of shown) {
      const then = await rowAt(moment);
      expect(said(then)).toEqual(told);
      expect(then?.flights.map(({ name, answer }) => [name, answer])).toEqual(flights);
      expect((await at(moment))?.when).toBe('then');
    }
  });

  it('knows nothing that was entered later, though it happened before', async () => {
    const before = club.ports.now();
    later(DAY);
    // Found the day before; entered now.
    good(
      await reportFinding(club.ports, club.actor('renter'), {
        ...newNick(club),
        foundAt: addSeconds(before, -3600),
      }),
    );
    later(60);
    expect((await row())?.verdict).toBe('Grounded');
    expect((await rowAt(before))?.verdict).toBe('Released');
    expect((await rowAt(before))?.openItems).toEqual([]);
  });

  it('has no row of an aircraft of which nothing was on record yet', async () => {
    const page = await at(addSeconds(club.ports.now(), -1000 * DAY));
    const registrations = [
      ...(page?.notYet ?? []),
      ...(page?.rows.map(({ registration }) => registration) ?? []),
    ];
    expect([page?.total, registrations]).toEqual([1, ['N02TB']]);
    // Where it has a row nothing speaks for it.
    for (const { verdict } of page?.rows ?? []) expect(verdict).toBe('Grounded');
  });
});

describe('the Line at a moment to come', () => {
  it('is the Line of now at this moment', async () => {
    await planned();
    later(60);
    const page = await at(club.ports.now());
    expect(page?.when).toBe('ahead');
    expect(said(page?.rows[0])).toEqual(said(await row()));
    expect(page?.rows[0]?.flights).toEqual((await row())?.flights);
  });

  it('moves dates on: a restriction is over after its end', async () => {
    good(
      await restrict(club.ports, club.actor('instructor'), {
        restrictionId: randomUUID(),
        aircraftId: club.aircraftId,
        why: 'rough running',
        closes: ['night'],
        until: civilDateAt(addSeconds(club.ports.now(), DAY), club.place.zone),
      }),
    );
    later(60);
    const night = async (days: number) =>
      (await rowAt(addSeconds(club.ports.now(), days * DAY)))?.reasons.filter(({ headline, meaning }) =>
        `${headline} ${meaning}`.toLowerCase().includes('rough running'),
      ).length;
    expect([await night(0), await night(1), await night(3)]).toEqual([1, 1, 0]);
  });

  it('has the flights of its day, and counts those before it', async () => {
    const first = await row();
    await planned();
    later(60);
    const tomorrow = await rowAt(addSeconds(club.ports.now(), DAY));
    expect(tomorrow?.flights).toEqual([]);
    // The flight was flown in the plan: its hours are gone from what is left.
    expect(tomorrow?.secondsLeft).toBeLessThan(first?.secondsLeft ?? 0);
  });
});

describe('the Line', () => {
  it.each([
    ['three years and a week back', -1105, false],
    ['sixty days ahead', 60, true],
    ['sixty-two days ahead', 62, false],
  ])('is moved %s: %i days, %s', async (_, days, isThere) => {
    expect((await at(addSeconds(club.ports.now(), days * DAY))) !== null).toBe(isThere);
  });
  it('answers the rows that are asked for', async () => {
    expect((await at(club.ports.now(), 1))?.rows).toEqual([]);
    expect((await at(club.ports.now(), 0, 1))?.rows).toHaveLength(1);
  });
});
