import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import type { SignedEntry } from '@/contracts/maintenance/new-entry';
import { meterReading } from '@/core/metering/reading';
import { hours } from '@/core/quantities/hours';
import { knownAt, presentFor } from '@/core/records/facts';
import { civilDate } from '@/core/time/civil-date';
import { addSeconds } from '@/core/time/instant';
import { loadAircraft } from '@/db/aircraft/aircraft-facts';
import { readHistory } from '@/db/kernel/ledger';
import { entryPreview } from '@/queries/maintenance/entry-preview';
import { bad, good, PASSWORD } from '@/testing/database';
import { vouch } from '../documents/vouch';
import type { Actor } from '../kernel/command';
import { loadRecords, NO_RECORDS } from '../kernel/load-records';
import { clearList } from '../maintenance/clear-list';
import { strikeEntry } from '../maintenance/corrections';
import { attributeUnlogged } from '../meters/unlogged';
import {
  record,
  hundred,
  row,
  folderNow,
  club,
  revision,
  inTx,
  own,
  due,
  freshClub,
  useClub,
} from '@/testing/folder';

const copied = {
  by: 'copied-from-logbook' as const,
  name: 'Ida Quell',
  kind: 'inspection-authorisation' as const,
  number: 'IA-0417',
  validFrom: civilDate('2025-04-01'),
  validUntil: civilDate('2027-03-31'),
};
const preview = (draft: SignedEntry['draft']) =>
  inTx((tx) => entryPreview(tx, club.clubId, { aircraftId: club.aircraftId, draft }, club.ports.now()));
/** Two mechanics sign an entry at the same moment, both having seen the same revision. */
async function signTwiceAtOnce(seenRevision: number): Promise<void> {
  const entry = (signer: SignedEntry['signer']) => ({ seenRevision, signer });
  const second: Actor = { ...club.actor('instructor'), roles: ['mechanic'] };
  const answers = await Promise.all([
    record(hundred('4150.3'), entry(own())),
    record(hundred('4150.3'), entry({ ...copied, kind: 'mechanic-airframe-powerplant' }), second),
  ]);
  expect([
    seenRevision,
    answers.map((answer) => (answer.ok ? 'signed' : answer.refusal.code)).sort(),
  ]).toEqual([seenRevision, ['conflict', 'signed']]);
  const conflict = answers.flatMap((answer) => (answer.ok ? [] : [answer.refusal]))[0];
  expect(
    conflict?.code === 'conflict' ? [conflict.revision, conflict.changes.map(({ act }) => act)] : [],
  ).toEqual([seenRevision + 1, ['record-entry']]);
}
beforeEach(freshClub);

describe('recording an inspection', () => {
  it('shows the sum before it is signed, and that sum holds afterwards', async () => {
    expect((await preview(hundred('4150.3')))?.moved).toEqual([
      { name: '100-hour', before: '4208.7 h', after: '4250.3 h', sum: '4150.3 h + 100.0 h = 4250.3 h.' },
    ]);
    good(await record(hundred('4150.3')));
    expect(await due('100-hour')).toMatchObject({
      next: '4250.3 h',
      last: '4150.3 h',
      interval: 'every 100.0 h',
      left: '100.0 h',
      hoursLeft: 100,
    });
    expect((await folderNow()).logbook[0]).toMatchObject({
      title: '100-hour inspection',
      reading: '4150.3 h',
      description: 'Inspected as the programme says.',
      signed: 'The mechanic, A&P mechanic, AP-1',
      outcome: 'approved',
      struck: null,
    });
  });
  it('done late, what was flown over is taken off the next interval', async () => {
    good(
      await loadRecords(club.ports, club.actor('dispatcher'), club.aircraftId, {
        ...NO_RECORDS,
        readings: [
          {
            id: randomUUID(),
            meter: 'time-in-service',
            value: hours('4215.2'),
            happenedAt: club.ports.now(),
            recordedAt: club.ports.now(),
          },
        ],
      }),
    );
    expect((await row())?.verdict).not.toBe('Released');
    const moved = (await preview(hundred('4215.2')))?.moved.find(({ name }) => name === '100-hour');
    expect(moved).toEqual({
      name: '100-hour',
      before: '4208.7 h',
      after: '4308.7 h',
      sum: 'Done at 4215.2 h, which was 6.5 h late: 4215.2 h + 100.0 h − 6.5 h = 4308.7 h.',
    });
    good(await record(hundred('4215.2')));
    expect((await due('100-hour'))?.next).toBe('4308.7 h');
    expect((await row())?.verdict).toBe('Released');
  });
  it('an annual holds to the end of its month and stands in for the 100-hour inspection; a mechanic’s own certificate does not sign it', async () => {
    const annual = hundred('4150.3', { kind: 'annual' });
    expect((await preview(annual))?.moved.map(({ name, after, sum }) => [name, after, sum])).toEqual([
      ['100-hour', '4250.3 h', '4150.3 h + 100.0 h = 4250.3 h. The annual inspection stands in for it.'],
      ['annual', '30 Nov 2027', '24 Nov 2026 and 12 calendar months, to the end of that month: 30 Nov 2027.'],
    ]);
    expect(bad(await record(annual))).toMatchObject({ code: 'invalid', problems: [{ path: 'signer' }] });
    const before = (await due('Annual'))?.next;
    good(await record(annual, { signer: copied }, club.actor('dispatcher')));
    // A copy says what somebody else signed: it opens nothing until somebody has compared it with the document.
    expect((await due('Annual'))?.next).toBe(before);
    expect((await folderNow()).logbook[0]).toMatchObject({ waits: true, vouchedBy: null });
    const waiting = (await folderNow()).logbook[0]?.id ?? '';
    const entry = async () => ({
      aircraftId: club.aircraftId,
      seenRevision: await revision(),
      records: [{ vouchId: randomUUID(), recordId: waiting }],
      note: 'Compared',
      password: PASSWORD,
    });
    for (const role of ['dispatcher', 'renter', 'instructor'] as const)
      expect(bad(await vouch(club.ports, club.actor(role), await entry())).code).toBe('not-entitled');
    expect(
      bad(await vouch(club.ports, club.actor('mechanic'), { ...(await entry()), password: 'not it' })).code,
    ).toBe('invalid');
    good(await vouch(club.ports, club.actor('mechanic'), await entry()));
    expect(bad(await vouch(club.ports, club.actor('administrator'), await entry())).code).toBe('invalid');
    expect((await folderNow()).logbook[0]).toMatchObject({ waits: false, vouchedBy: 'The mechanic' });
    expect((await due('Annual'))?.next).toBe('30 Nov 2027');
    expect((await folderNow()).logbook[0]?.signed).toBe('Ida Quell, IA, IA-0417');
  });
  it.each([
    ['without the reading that the record needs', { timeInService: null }, 'draft.timeInService'],
    ['of tomorrow', { completedOn: civilDate('2026-11-25') }, 'draft.completedOn'],
    [
      'before the certificate was valid',
      { completedOn: civilDate('2014-01-01'), timeInService: hours('100') },
      'signer',
    ],
  ])('refuses one %s', async (_, change, path) => {
    const refused = bad(await record(hundred('4150.3', change)));
    expect(refused).toMatchObject({ code: 'invalid' });
    expect(refused.code === 'invalid' ? refused.problems.map((one) => one.path) : []).toContain(path);
  });
  it('a slip beside the meter is asked or refused, and never carries the limit away', async () => {
    expect((await preview(hundred('4510.3')))?.aboveMeter).toBe(
      '4510.3 h is more than 4150.3 h, which is on record.',
    );
    expect(bad(await record(hundred('4510.3')))).toMatchObject({
      code: 'invalid',
      problems: [{ path: 'aboveMeter' }],
    });
    expect(bad(await record(hundred('4108.6', { completedOn: civilDate('2026-11-24') })))).toMatchObject({
      message: expect.stringContaining('contradicts') as string,
    });
    expect((await due('100-hour'))?.next).toBe('4208.7 h');
    good(await record(hundred('4151.0'), { aboveMeter: true }));
    expect((await due('100-hour'))?.next).toBe('4251.0 h');
  });
  it('hours of which only an entry tells are unlogged time: it is listed, and what no meter shows goes on with it; struck out, all of that goes', async () => {
    const reading = (meter: 'engine' | 'landings' | 'time-in-service', value: number) => ({
      ...meterReading(randomUUID(), meter, value, addSeconds(club.ports.now(), -3600), club.ports.now()),
    });
    good(
      await loadRecords(club.ports, club.actor('dispatcher'), club.aircraftId, {
        ...NO_RECORDS,
        readings: [reading('engine', 3_600_000), reading('landings', 500)],
      }),
    );
    club.ports.at = addSeconds(club.ports.at, 60);
    const stands = async () => {
      const facts = (await inTx((tx) => loadAircraft(tx, club.place, club.aircraftId, true)))[0]?.facts;
      const known = facts === undefined ? null : knownAt(facts, presentFor(facts, club.ports.now()), 'us');
      return [known?.accounted.engine, known?.accounted.landings, known?.meters.landings].map((one) =>
        one?.state === 'known' ? one.value : one?.state,
      );
    };
    expect(await stands()).toEqual([3_600_000, 500, 500]);
    const entryId = randomUUID();
    good(await record(hundred('4151.3'), { aboveMeter: true, entryId }));
    expect(await stands()).toEqual([3_603_600, 500, 530]);
    expect((await folderNow()).unlogged).toMatchObject([
      {
        name: 'time in service, as a signed entry has it',
        from: '4150.3 h',
        to: '4151.3 h',
        length: '1.0 h',
        asks: ['landings'],
        struck: null,
      },
    ]);
    club.ports.at = addSeconds(club.ports.at, 60);
    good(
      await strikeEntry(club.ports, club.actor('mechanic'), {
        strikeId: randomUUID(),
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        kind: 'inspection',
        recordId: entryId,
        why: 'Other aircraft',
        password: PASSWORD,
      }),
    );
    expect(await stands()).toEqual([3_600_000, 500, 500]);
    expect((await folderNow()).unlogged).toMatchObject([{ asks: [], struck: { why: 'Other aircraft' } }]);
    expect(
      bad(
        await attributeUnlogged(club.ports, club.actor('dispatcher'), {
          attributionId: randomUUID(),
          aircraftId: club.aircraftId,
          unlogged: (await folderNow()).unlogged[0]?.id ?? '',
          to: 'R. Dane',
          note: null,
          landings: 1,
          towLaunches: null,
        }),
      ).code,
    ).toBe('not-found');
  });
  it.each([
    ['a renter', 'renter', 'not-entitled'],
    ['a dispatcher by a certificate of their own', 'dispatcher', 'not-entitled'],
    ['an instructor, whose certificate does not', 'instructor', 'invalid'],
  ] as const)('%s does not sign', async (_, role, code) => {
    expect(bad(await record(hundred('4150.3'), { signer: own(role) }, club.actor(role)))).toMatchObject({
      code,
    });
  });
  it('nor does somebody with another’s certificate, or the wrong password', async () => {
    expect(bad(await record(hundred('4150.3'), { signer: own('instructor') }))).toMatchObject({
      code: 'not-entitled',
    });
    expect(bad(await record(hundred('4150.3'), { password: 'x' }))).toMatchObject({
      problems: [{ path: 'password' }],
    });
  });
  it('an answer that got lost is given again', async () => {
    const entryId = randomUUID();
    const seenRevision = await revision();
    good(await record(hundred('4150.3'), { entryId, seenRevision }));
    expect(good(await record(hundred('4150.3'), { entryId, seenRevision }))).toEqual({
      entryId,
      revision: seenRevision + 1,
    });
    expect(
      (await inTx((tx) => readHistory(tx, club.aircraftId, 9))).filter(({ act }) => act === 'record-entry'),
    ).toHaveLength(1);
  });
  // Twenty on each of ten aircraft: what an aircraft has on record is read again at each.
  it('two sign at once, two hundred times: one succeeds, the other is shown what happened', async () => {
    for (let aircraft = 0; aircraft < 10; aircraft += 1) {
      await useClub();
      for (let round = 0; round < 20; round += 1) await signTwiceAtOnce(1 + round);
      expect((await folderNow()).revision).toBe(21);
    }
  }, 120_000);
});

describe('an inspection that did not approve the aircraft', () => {
  const listed = async () => {
    const entryId = randomUUID();
    good(await record(hundred('4150.3', { outcome: 'discrepancies-listed' }), { entryId }));
    return entryId;
  };
  it('closes what needs it until its list is cleared, also on a later day', async () => {
    const inspection = await listed();
    expect((await row())?.verdict).not.toBe('Released');
    expect((await folderNow()).openLists).toMatchObject([{ id: inspection }]);
    club.ports.at = addSeconds(club.ports.at, 2 * 86_400);
    const clear = async (change: object = {}) =>
      clearList(club.ports, club.actor('mechanic'), {
        clearanceId: randomUUID(),
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        inspection,
        on: civilDate('2026-11-26'),
        description: 'Both items corrected.',
        certificateId: club.certificateOf('mechanic'),
        password: PASSWORD,
        ...change,
      });
    expect(bad(await clear({ on: civilDate('2026-11-23') }))).toMatchObject({ problems: [{ path: 'on' }] });
    expect(bad(await clear({ on: civilDate('2026-11-27') }))).toMatchObject({ problems: [{ path: 'on' }] });
    good(await clear());
    expect((await row())?.verdict).toBe('Released');
    expect((await folderNow()).openLists).toEqual([]);
    expect(bad(await clear())).toMatchObject({ code: 'not-found' });
  });
  it('is not struck out by somebody who could not have said the opposite', async () => {
    const inspection = await listed();
    const strike = async (role: 'dispatcher' | 'mechanic') =>
      strikeEntry(club.ports, club.actor(role), {
        strikeId: randomUUID(),
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        kind: 'inspection',
        recordId: inspection,
        why: 'Other aircraft',
        password: PASSWORD,
      });
    expect(bad(await strike('dispatcher'))).toMatchObject({ code: 'not-entitled' });
    expect((await row())?.verdict).not.toBe('Released');
    good(await strike('mechanic'));
    expect((await row())?.verdict).toBe('Released');
  });
});
