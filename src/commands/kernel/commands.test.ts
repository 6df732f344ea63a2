import { randomUUID } from 'node:crypto';
import { Client } from 'pg';
import { beforeEach, describe, expect, it } from 'vitest';
import { addSeconds, instant } from '@/core/time/instant';
import { hours } from '@/core/quantities/hours';
import { inClub } from '@/db/kernel/club-transaction';
import { readHistory } from '@/db/kernel/ledger';
import { CHANNEL } from '@/db/kernel/notify';
import { aircraftPage } from '@/queries/aircraft/aircraft-page';
import { line } from '@/queries/aircraft/line';
import { bad, given, good, PASSWORD, testClub } from '@/testing/database';
import { NO_EFFECTS } from '@/testing/work';
import { plannedFlight, readingOnRecord } from '@/testing/planned-flight';
import { enterCertificate } from '../club/members';
import { addPhoto, MAX_PHOTO_BYTES } from '../findings/add-photo';
import { civilDate } from '@/core/time/civil-date';
import type { Actor } from './command';
import { UNKNOWN_PARTICULARS } from '@/core/records/aircraft/aircraft';
import { loadFolder } from './load-folder';
import { loadRecords, NO_RECORDS } from './load-records';
import { reportFinding } from '../findings/report-finding';
import { returnToService } from '../findings/return-to-service';

let club: Awaited<ReturnType<typeof testClub>>;
beforeEach(async () => {
  club = await testClub();
});

const nick = (change: object = {}) => ({
  findingId: randomUUID(),
  aircraftId: club.aircraftId,
  station: 'propeller',
  side: null,
  step: 'K217',
  asListed: true,
  what: 'New nick on blade 2',
  looks: 'looks-small' as const,
  foundAt: club.ports.now(),
  ...change,
});
const report = (actor: Actor, change: object = {}) => reportFinding(club.ports, actor, nick(change));
const rowNow = async () =>
  (await inClub(club.ports.db, club.clubId, (tx) => line(tx, club.clubId, club.ports.now(), true))).rows[0];
const pageNow = (actor: Actor) =>
  inClub(club.ports.db, club.clubId, (tx) => aircraftPage(tx, actor, 'N02TB', club.ports.now()));
const closing = (discrepancyId: string, seenRevision: number, change: object = {}) => ({
  rectificationId: randomUUID(),
  discrepancyId,
  seenRevision,
  work: 'repaired' as const,
  effects: NO_EFFECTS,
  workId: randomUUID(),
  description: 'Blended within limits, track checked.',
  completedOn: '2026-11-24' as never,
  certificateId: club.certificateOf('mechanic'),
  password: PASSWORD,
  ...change,
});
const story = () => inClub(club.ports.db, club.clubId, (tx) => readHistory(tx, club.aircraftId, 50));

describe('reporting a finding', () => {
  it('grounds the aircraft at once, whatever the reporter thinks of it', async () => {
    expect((await rowNow())?.verdict).toBe('Released');
    expect(good(await report(club.actor('student')))).toMatchObject({
      registration: 'N02TB',
      revision: 2,
      classification: 'ground-until-mechanic',
      isNew: true,
    });
    expect(await rowNow()).toMatchObject({
      verdict: 'Grounded',
      revision: 2,
      reasons: [{ headline: 'New nick on blade 2 (Propeller).' }],
    });
  });
  it('sent twice, even at the same time, is recorded once', async () => {
    const finding = nick();
    const answers = await Promise.all(
      Array.from({ length: 6 }, () => reportFinding(club.ports, club.actor('student'), finding)),
    );
    expect(answers.map(good).filter(({ isNew }) => isNew)).toHaveLength(1);
    expect((await story()).filter(({ act }) => act === 'report-finding')).toHaveLength(1);
  });
  it('two people at once: both findings stand, none conflicts', async () => {
    await Promise.all([
      report(club.actor('student')),
      report(club.actor('renter'), { what: 'Oil on the belly', step: null, asListed: false }),
      report(club.actor('instructor')),
    ]);
    expect((await pageNow(club.actor('mechanic')))?.findings).toHaveLength(3);
    expect((await story()).map(({ revision }) => revision)).toEqual([4, 3, 2, 1]);
  });
  it('another person’s finding is never taken for one’s own by its id', async () => {
    const finding = nick();
    good(await reportFinding(club.ports, club.actor('student'), finding));
    expect(bad(await reportFinding(club.ports, club.actor('renter'), finding))).toMatchObject({
      code: 'invalid',
    });
  });
  it.each([
    ['an aircraft of another club', { aircraftId: randomUUID() }, 'not-found'],
    ['an item of another station', { step: 'K067' }, 'invalid'],
    ['as listed, without an item', { step: null }, 'invalid'],
  ])('refuses %s and records nothing', async (_, change, code) => {
    expect(bad(await report(club.actor('student'), change))).toMatchObject({ code });
    expect(await story()).toHaveLength(1);
  });
  it('from a phone whose clock runs ahead is recorded anyway, as found when it was entered', async () => {
    good(await report(club.actor('student'), { foundAt: addSeconds(club.ports.now(), 86_400) }));
    expect((await rowNow())?.verdict).toBe('Grounded');
    expect((await pageNow(club.actor('mechanic')))?.findings[0]?.found).toBe(
      '24 Nov 2026 09:00 by The student',
    );
    expect((await story())[0]?.record).toMatchObject({
      happenedAt: '2026-11-24T13:00:00Z',
      phoneSaid: '2026-11-25T13:00:00Z',
    });
  });
  it('entered days later counts from when it was entered, and says when it was found', async () => {
    good(await report(club.actor('student'), { foundAt: instant('2026-11-20T12:00:00Z') }));
    expect((await pageNow(club.actor('mechanic')))?.findings[0]?.found).toBe(
      '20 Nov 2026 08:00 by The student',
    );
  });
  it('somebody without a role reports nothing', async () => {
    expect(bad(await report({ ...club.actor('student'), roles: [] }))).toMatchObject({
      code: 'not-entitled',
    });
  });
});

describe('a photo', () => {
  it('belongs to its finding, is added once, and only by who reported it', async () => {
    const finding = nick();
    const photo = { photoId: randomUUID(), of: finding.findingId, bytes: Buffer.from('picture') };
    expect(bad(await addPhoto(club.ports, club.actor('student'), photo))).toMatchObject({
      code: 'not-found',
    });
    good(await reportFinding(club.ports, club.actor('student'), finding));
    expect(bad(await addPhoto(club.ports, club.actor('renter'), photo))).toMatchObject({
      code: 'not-entitled',
    });
    expect(
      bad(await addPhoto(club.ports, club.actor('student'), { ...photo, bytes: Buffer.alloc(0) })),
    ).toMatchObject({ code: 'invalid' });
    expect(
      bad(
        await addPhoto(club.ports, club.actor('student'), {
          ...photo,
          bytes: Buffer.alloc(MAX_PHOTO_BYTES + 1),
        }),
      ),
    ).toMatchObject({ code: 'invalid' });
    expect(good(await addPhoto(club.ports, club.actor('student'), photo)).isNew).toBe(true);
    expect(good(await addPhoto(club.ports, club.actor('student'), photo)).isNew).toBe(false);
    // Another picture under its id would be lost if it were answered as received.
    expect(
      bad(
        await addPhoto(club.ports, club.actor('student'), {
          ...photo,
          bytes: Buffer.from('another picture'),
        }),
      ),
    ).toMatchObject({ code: 'invalid' });
    expect((await pageNow(club.actor('mechanic')))?.findings[0]?.photos).toEqual([photo.photoId]);
  });
});

describe('returning to service', () => {
  const grounded = async () => {
    const finding = nick();
    return {
      id: finding.findingId,
      revision: good(await reportFinding(club.ports, club.actor('student'), finding)).revision,
    };
  };

  it('changes the verdict back, and the history tells it all', async () => {
    const { id, revision } = await grounded();
    club.ports.at = addSeconds(club.ports.at, 3600);
    expect(
      good(await returnToService(club.ports, club.actor('mechanic'), closing(id, revision))),
    ).toMatchObject({ revision: 3, isNew: true });
    expect((await rowNow())?.verdict).toBe('Released');
    const page = await pageNow(club.actor('mechanic'));
    expect(page?.story.map(({ words }) => words)).toEqual([
      'repaired “New nick on blade 2”: Blended within limits, track checked, completed 24 Nov 2026. Signed as A&P mechanic, AP-1.',
      'reported: New nick on blade 2 (Propeller)',
      'brought in the aircraft with its folder',
    ]);
    expect(page?.findings[0]?.done).toContain('signed 24 Nov 2026 10:00 by The mechanic');
  });
  it('an answer that got lost is answered again, not signed again', async () => {
    const { id, revision } = await grounded();
    const entry = closing(id, revision);
    expect(good(await returnToService(club.ports, club.actor('mechanic'), entry)).isNew).toBe(true);
    expect(good(await returnToService(club.ports, club.actor('mechanic'), entry)).isNew).toBe(false);
    expect(await story()).toHaveLength(3);
  });
  it('two mechanics at once: one signs, the other is told who was faster', async () => {
    const { id, revision } = await grounded();
    const answers = await Promise.all([
      returnToService(club.ports, club.actor('mechanic'), closing(id, revision)),
      returnToService(club.ports, club.actor('mechanic'), closing(id, revision)),
    ]);
    expect(answers.filter(({ ok }) => ok)).toHaveLength(1);
    const loser = answers.find(({ ok }) => !ok);
    expect(loser === undefined ? null : bad(loser)).toMatchObject({
      code: 'conflict',
      revision: 3,
      changes: [{ act: 'return-to-service', actorName: 'The mechanic' }],
    });
  });
  it('a view that has grown stale is a conflict that says who changed what; nothing is signed', async () => {
    const { id, revision } = await grounded();
    good(await report(club.actor('renter'), { what: 'Spinner cracked', step: null, asListed: false }));
    expect(
      bad(await returnToService(club.ports, club.actor('mechanic'), closing(id, revision))),
    ).toMatchObject({
      code: 'conflict',
      revision: 3,
      changes: [{ act: 'report-finding', actorName: 'The renter', record: { what: 'Spinner cracked' } }],
    });
    expect((await rowNow())?.verdict).toBe('Grounded');
  });
  it.each([
    ['a dispatcher', 'dispatcher', {}, 'not-entitled'],
    ['a student', 'student', {}, 'not-entitled'],
    ['a renter', 'renter', {}, 'not-entitled'],
    ['a wrong password', 'mechanic', { password: 'wrong' }, 'invalid'],
    ['a certificate of somebody else', 'mechanic', { certificateId: randomUUID() }, 'not-entitled'],
    ['work of tomorrow', 'mechanic', { completedOn: '2026-11-25' }, 'invalid'],
    ['work before the find', 'mechanic', { completedOn: '2026-11-23' }, 'invalid'],
    ['only a judgement', 'mechanic', { work: 'judged-acceptable' }, 'invalid'],
    ['a finding that is not there', 'mechanic', { discrepancyId: randomUUID() }, 'not-found'],
  ] as const)('refuses %s; the aircraft stays grounded', async (_, role, change, code) => {
    const { id, revision } = await grounded();
    expect(
      bad(await returnToService(club.ports, club.actor(role), closing(id, revision, change))),
    ).toMatchObject({ code });
    expect((await rowNow())?.verdict).toBe('Grounded');
    expect(await story()).toHaveLength(2);
  });
  it('the club role alone signs nothing: an instructor’s certificate closes no nick', async () => {
    const { id, revision } = await grounded();
    expect(
      bad(
        await returnToService(
          club.ports,
          club.actor('instructor'),
          closing(id, revision, { certificateId: club.certificateOf('instructor') }),
        ),
      ),
    ).toMatchObject({ code: 'invalid', problems: [{ path: 'certificateId' }] });
  });
  it('a certificate that has run out since the work was done signs nothing today', async () => {
    const { id, revision } = await grounded();
    const certificateId = randomUUID();
    good(
      await enterCertificate(club.ports, club.actor('administrator'), {
        certificateId,
        personId: club.actor('mechanic').personId,
        kind: 'mechanic-airframe-powerplant',
        number: 'AP-2',
        validFrom: civilDate('2015-06-01'),
        validUntil: civilDate('2026-11-24'),
      }),
    );
    club.ports.at = instant('2026-11-26T13:00:00Z');
    expect(
      bad(
        await returnToService(club.ports, club.actor('mechanic'), closing(id, revision, { certificateId })),
      ),
    ).toMatchObject({
      code: 'invalid',
      message: 'This cannot be signed: the certificate was not valid on that day.',
    });
    club.ports.at = instant('2026-11-24T23:00:00Z');
    good(await returnToService(club.ports, club.actor('mechanic'), closing(id, revision, { certificateId })));
  });
  it('nobody judges what they reported themselves', async () => {
    const finding = nick({ step: 'K226', looks: 'not-right' });
    good(await reportFinding(club.ports, club.actor('instructor'), finding));
    expect(
      bad(
        await returnToService(
          club.ports,
          club.actor('instructor'),
          closing(finding.findingId, 2, {
            work: 'judged-acceptable',
            certificateId: club.certificateOf('instructor'),
          }),
        ),
      ),
    ).toMatchObject({ code: 'not-entitled' });
  });
  it('an instructor judges what a student reported', async () => {
    const finding = nick({ step: 'K226', looks: 'not-right' });
    good(await reportFinding(club.ports, club.actor('student'), finding));
    good(
      await returnToService(
        club.ports,
        club.actor('instructor'),
        closing(finding.findingId, 2, {
          work: 'judged-acceptable',
          certificateId: club.certificateOf('instructor'),
        }),
      ),
    );
    expect((await rowNow())?.verdict).toBe('Released');
  });
  it('offers a reader only what they may sign', async () => {
    await grounded();
    const offered = async (role: 'mechanic' | 'instructor' | 'student') =>
      (await pageNow(club.actor(role)))?.findings[0]?.closings
        .filter(({ certificates }) => certificates.length > 0)
        .map(({ work }) => work);
    expect([await offered('mechanic'), await offered('instructor'), await offered('student')]).toEqual([
      ['repaired', 'no-fault-found'],
      [],
      [],
    ]);
  });
});

describe('the other commands', () => {
  it('a meter that runs backwards is recorded, and closes', async () => {
    const read = (value: string) => {
      club.ports.at = addSeconds(club.ports.at, 60);
      return readingOnRecord(club, value);
    };
    await read('4152');
    expect(await rowNow()).toMatchObject({
      verdict: 'Released',
      next: [{ figure: '56.7 h', of: '100-hour' }, {}],
    });
    await read('4150');
    expect(await rowNow()).toMatchObject({
      verdict: 'Grounded',
      reasons: [{ headline: 'The time in service runs backwards.' }, {}],
    });
  });
  it('a planned flight appears on the Line with its answer and its wall', async () => {
    const starts = addSeconds(club.ports.now(), 3600);
    await plannedFlight(
      club,
      {
        person: 'J. Sol',
        airborne: hours('1.5'),
        purpose: 'instruction-school-aircraft',
        crew: 'dual',
      },
      { starts, lasts: 7200 },
    );
    expect((await rowNow())?.flights).toMatchObject([
      { name: 'J. Sol', answer: 'yes', words: '', wall: null },
    ]);
    await readingOnRecord(club, '4207.7');
    expect((await rowNow())?.flights).toMatchObject([
      {
        answer: 'no',
        words: expect.stringMatching(/^Exceeds the 100-hour limit by 0\.5 h \(due /),
        wall: starts + 4800_000,
      },
    ]);
  });
  it('only a dispatcher brings in aircraft and records', async () => {
    const folder = {
      aircraftId: randomUUID(),
      registration: 'N09TB',
      typeName: 'Luvane D',
      category: 'glider' as const,
      firstFlownOn: null,
      approvedFor: null,
      features: null,
      particulars: UNKNOWN_PARTICULARS,
      ...NO_RECORDS,
    };
    expect(bad(await loadFolder(club.ports, club.actor('mechanic'), folder))).toMatchObject({
      code: 'not-entitled',
    });
    expect(
      bad(await loadRecords(club.ports, club.actor('mechanic'), club.aircraftId, NO_RECORDS)),
    ).toMatchObject({ code: 'not-entitled' });
    good(await loadFolder(club.ports, club.actor('dispatcher'), folder));
    const rows = (
      await inClub(club.ports.db, club.clubId, (tx) => line(tx, club.clubId, club.ports.now(), true))
    ).rows;
    expect(rows.map(({ registration, verdict }) => [registration, verdict])).toEqual([
      ['N02TB', 'Released'],
      ['N09TB', 'Grounded'],
    ]);
  });
  it('live screens hear of a change when it is committed, and not of one that was refused', async () => {
    const listener = new Client({ connectionString: given('DATABASE_URL') });
    await listener.connect();
    const heard: string[] = [];
    listener.on('notification', ({ payload }) => {
      heard.push(payload ?? '');
    });
    await listener.query(`listen ${CHANNEL}`);
    bad(await report(club.actor('student'), { step: 'K067' }));
    good(await report(club.actor('student')));
    await listener.query('select 1');
    await expect.poll(() => heard.filter((payload) => payload.includes(club.clubId)).length).toBe(1);
    expect(JSON.parse(heard.find((payload) => payload.includes(club.clubId)) ?? '{}')).toEqual({
      club: club.clubId,
      aircraft: club.aircraftId,
      revision: 2,
    });
    await listener.end();
  });
});
