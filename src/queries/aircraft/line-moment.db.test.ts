import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { reportFinding } from '@/commands/findings/report-finding';
import { checkDocuments } from '@/commands/documents/check-documents';
import { strikeEntry } from '@/commands/maintenance/corrections';
import { restrict } from '@/commands/flights/dispatch-restriction';
import { addSeconds, type Instant } from '@/core/time/instant';
import { civilDateAt } from '@/core/time/zone';
import { good, PASSWORD } from '@/testing/database';
import { club, comeBack, freshDesk, inTx, later, leave, planned, row, start, text } from '@/testing/dispatch';
import { newNick } from '@/testing/entries';
import { walking } from '@/testing/walk-round';
import type { LineRow } from './line';
import { lineAt } from './line-moment';

const DAY = 86_400;
const at = (moment: Instant, from = 0, most = 60, role = 'dispatcher') =>
  inTx((tx) =>
    lineAt(tx, { clubId: club.clubId, roles: [role] }, { at: moment, from, most }, club.ports.now()),
  );
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

/** Somebody looks for the airworthiness certificate. */
const see = (who: 'renter' | 'dispatcher', aboard: boolean, documentCheckId: string = randomUUID()) =>
  checkDocuments(club.ports, club.actor(who), {
    aircraftId: club.aircraftId,
    seenAt: club.ports.now(),
    documentChecks: [
      {
        documentCheckId,
        kind: 'airworthiness-certificate',
        keptWhere: null,
        number: null,
        aboard,
        legible: aboard ? true : null,
        displayed: aboard ? true : null,
        registrationShown: aboard ? 'N02TB' : null,
        serialShown: null,
        issuedOn: null,
        printedExpiry: null,
        form: null,
        revision: null,
        placards: null,
        datedOn: null,
        tankFitted: null,
        temporary: null,
      },
    ],
  });

describe('the Line at a moment that is over', () => {
  it('says what it said then, whatever was recorded, struck out, corrected or repaired since', async () => {
    const { ports, actor, aircraftId } = club;
    const walk = randomUUID();
    const walks = walking(() => club);
    const nick = newNick(club);
    const flight = await planned();
    const check = randomUUID();
    const acts: readonly (readonly [string, string, () => Promise<unknown>])[] = [
      ['nothing', 'Released', () => Promise.resolve()],
      ['leave', 'Released', async () => good(await leave(flight, text(start)))],
      ['come back', 'Released', async () => good(await comeBack(flight, text(start + 108)))],
      ['a document is missing', 'Grounded', async () => good(await see('renter', false))],
      ['it is found again', 'Released', async () => good(await see('dispatcher', true, check))],
      ['look again', 'Released', async () => good(await see('dispatcher', true))],
      [
        'strike the check before out',
        'Released',
        async () =>
          good(
            await strikeEntry(ports, actor('dispatcher'), {
              strikeId: randomUUID(),
              aircraftId,
              seenRevision: (await row())?.revision ?? 0,
              kind: 'document-check',
              recordId: check,
              why: 'looked into the folder of another aircraft',
              password: PASSWORD,
            }),
          ),
      ],
      [
        'restrict',
        'Restricted',
        async () =>
          good(
            await restrict(ports, actor('instructor'), {
              restrictionId: randomUUID(),
              aircraftId,
              why: 'rough running',
              closes: ['night'],
              until: null,
            }),
          ),
      ],
      [
        'find a nick',
        'Grounded',
        async () => good(await reportFinding(ports, actor('renter'), { ...nick, foundAt: ports.now() })),
      ],
      ['begin a walk-round', 'Grounded', async () => good(await walks.begin(walk))],
      [
        'see nothing of a step',
        'Grounded',
        async () => {
          const [step] = await walks.planOf(walk);
          if (step === undefined) throw new Error('a plan has steps');
          const unseen = walks.answerOf(step, { answer: 'not-seen', because: 'dark', measured: null });
          good(await walks.send(walk, [unseen]));
        },
      ],
    ];
    const shown: (readonly [string, Instant, ReturnType<typeof said>, unknown])[] = [];
    const flightsOf = (of: LineRow | undefined) => of?.flights.map(({ name, answer }) => [name, answer]);
    for (const [what, verdict, act] of acts) {
      await act();
      later(60);
      const now = await row();
      expect([what, now?.verdict]).toEqual([what, verdict]);
      shown.push([what, club.ports.now(), said(now), flightsOf(now)]);
      later(60);
    }
    later(5 * DAY);
    for (const [what, moment, told, flights] of shown) {
      const page = await at(moment);
      expect([what, page?.when, said(page?.rows[0]), flightsOf(page?.rows[0])]).toEqual([
        what,
        'then',
        told,
        flights,
      ]);
    }
  });

  it('says who flew only to those who may have lists of it', async () => {
    const flight = await planned();
    // Another waits for it to come back, and its answer says for whom.
    await planned({ person: 'P. Guest' }, 'P. Guest');
    good(await leave(flight, text(start)));
    later(60);
    const then = club.ports.now();
    later(5 * DAY);
    const told = async (role: string) => JSON.stringify((await at(then, 0, 60, role))?.rows);
    expect(await told('dispatcher')).toContain('Out with R. Dane');
    expect(await told('instructor')).toContain('R. Dane');
    for (const role of ['renter', 'student', 'mechanic']) {
      expect(await told(role)).not.toMatch(/R\. Dane|P\. Guest/u);
      expect(await told(role)).toContain('Out with somebody');
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

  it('counts the hours of an aircraft that is out, from when it should be back', async () => {
    const flight = await planned();
    good(await leave(flight, text(start)));
    later(60);
    const left = async (seconds: number) =>
      (await rowAt(addSeconds(club.ports.now(), seconds)))?.secondsLeft ?? 0;
    const before = await left(0);
    // It was planned for 1.2 h in the air.
    expect(before - (await left(DAY))).toBe(1.2 * 3600);
    expect((await rowAt(addSeconds(club.ports.now(), DAY)))?.out).toContain('Out with R. Dane');
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
