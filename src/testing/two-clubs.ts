// Two clubs with one of every kind of record, for tests of the database itself. For tests only.
import { randomBytes, randomUUID } from 'node:crypto';
import { Client } from 'pg';
import { hours } from '@/core/quantities/hours';
import { addSeconds } from '@/core/time/instant';
import { cleanCase } from '@/testing/clean-case';
import { given, testClub } from '@/testing/database';
import { inClub } from '@/db/kernel/club-transaction';
import { insertClubChange, readClub } from '@/db/club/clubs';
import { UNSAID } from '@/core/records/flights/planned-flight';
import { insertDescription } from '@/db/aircraft/descriptions';
import { endInvitationOnce, insertInvitation } from '@/db/club/invitations';
import { endBoxOnce, insertBoxOnce, insertBoxReadings } from '@/db/meters/meter-boxes';
import { insertCertificateEndOnce, insertMembershipChange } from '@/db/club/people';
import { endFeedOnce, insertFeed } from '@/db/exchange/calendar-feeds';
import { insertDials } from '@/db/meters/dials';
import { insertFlown } from '@/db/flights/insert-flights';
import { insertFlights, insertReadings } from '@/db/aircraft/folder-rows';
import { appendToLedger } from '@/db/kernel/ledger';
import { endPlannedOnce } from '@/db/flights/planned-flights';
import { insertRecordPhotoOnce } from '@/db/findings/record-photos';
import { insertStrikeOnce } from '@/db/aircraft/strikes';
import { endPush, insertDevice, tryPush } from '@/db/notices/devices';
import { beginMail, endMail, tryMail } from '@/db/notices/mails';
import { insertNotices, insertSettings, keepLook, markRead } from '@/db/notices/notices';
import { USUAL_SETTINGS } from '@/core/records/notices/notice';
import type { ReleaseCard } from '@/core/decision/flight-release';
import type { ReleaseTerms } from '@/core/decision/release-terms';
import { endReleaseOnce, insertRelease } from '@/db/releases/flight-releases';
import { insertVouchOnce } from '@/db/documents/vouching';

export let superuser: Client;
export let ours: Awaited<ReturnType<typeof testClub>>;
export let theirs: Awaited<ReturnType<typeof testClub>>;
/** What the tests of a file begin with: two clubs, and a way in past every rule. */
export async function twoClubs(): Promise<void> {
  superuser = new Client({ connectionString: given('GROVAL_TEST_SUPERUSER_URL') });
  await superuser.connect();
  [ours, theirs] = [await testClub(), await testClub()];
  // Every kind of record that a club can have, once in each: a table without rows would show nothing.
  for (const club of [ours, theirs]) await withEveryRecord(club);
}
/** What they end with. */
export async function goneAgain(): Promise<void> {
  await superuser.end();
}
/** A meter, a flight with its return, a struck out entry, and a planned flight that was cancelled. */
export async function withEveryRecord({
  ports,
  clubId,
  aircraftId,
  actor,
  certificateOf,
}: Awaited<ReturnType<typeof testClub>>): Promise<void> {
  const at = ports.now();
  const [dial, flight, planned] = [randomUUID(), randomUUID(), randomUUID()];
  const [notice, mail] = [randomUUID(), randomUUID()];
  const { personId } = actor('renter');
  await inClub(ports.db, clubId, async (tx) => {
    const words = { title: 'Told', body: '', path: '/line', useUntil: null };
    await insertNotices(
      tx,
      clubId,
      [{ ...words, id: notice, personId, aircraftId, kind: 'finding', key: 'k', about: 'k' }],
      at,
    );
    await markRead(tx, personId, [notice], at);
    await insertSettings(tx, clubId, { id: randomUUID(), personId, settings: USUAL_SETTINGS, at });
    await beginMail(tx, clubId, { id: mail, personId, notices: [notice], at });
    await tryMail(tx, clubId, mail, at);
    await endMail(tx, clubId, { id: mail, outcome: 'sent', note: '', at });
    await keepLook(tx, clubId, aircraftId, 1, at);
    const device = { id: randomUUID(), endpoint: 'https://push.example/1', p256dh: 'x', auth: 'x' };
    await insertDevice(tx, clubId, { ...device, personId, name: 'Phone', at });
    await tryPush(tx, clubId, { id: notice, device }, at);
    await endPush(tx, clubId, { id: notice, personId, device }, { outcome: 'gone', note: '', at });
  });
  await inClub(ports.db, clubId, async (tx) => {
    const releaseId = randomUUID();
    await insertRelease(tx, clubId, {
      id: releaseId,
      aircraftId,
      flightId: flight,
      revision: 1,
      signedBy: 'x',
      givenTo: 'x',
      engine: 'x',
      card: {} as ReleaseCard,
      terms: { until: at } as ReleaseTerms,
      secret: 'x',
      inputs: '{}',
      inputsHash: 'x',
      decision: '{}',
      decisionHash: 'x',
      recordedAt: at,
      recordedBy: 'x',
    });
    void (await endReleaseOnce(tx, clubId, releaseId, { why: 'void', words: [], at, by: 'x' }));
    await insertDials(tx, clubId, aircraftId, 'x', [
      {
        id: dial,
        happenedAt: at,
        recordedAt: at,
        name: 'Block',
        unit: 'h',
        counts: [{ meter: 'block', offset: 0 }],
        bills: true,
        wrapsAt: null,
        replaces: null,
        why: null,
      },
    ]);
    await insertFlown(tx, clubId, aircraftId, 'x', [
      {
        id: flight,
        aircraftId,
        personName: 'R. Dane',
        purpose: null,
        crew: null,
        readings: [],
        fuelAboard: null,
        oilAboard: null,
        remarks: null,
        leftAt: addSeconds(at, -7200),
        recordedAt: at,
        returned: {
          readings: [],
          landings: 1,
          towLaunches: null,
          billed: null,
          billedFrom: null,
          fuelAdded: null,
          oilAdded: null,
          report: { kind: 'nothing-to-report' as const },
          at: addSeconds(at, -3600),
          recordedAt: at,
        },
      },
    ]);
    await insertFlights(tx, clubId, aircraftId, 'x', [
      {
        id: planned,
        starts: addSeconds(at, 3600),
        ends: addSeconds(at, 7200),
        airborne: null,
        purpose: null,
        crew: null,
        rules: null,
        range: null,
        light: null,
        transponderAirspace: null,
        adsbAirspace: null,
        beyondGlideOverWater: null,
        passengers: null,
        ...UNSAID,
        personName: 'R. Dane',
        recordedAt: at,
      },
    ]);
    await endPlannedOnce(tx, clubId, {
      flightId: planned,
      aircraftId,
      because: 'cancelled',
      why: null,
      at,
      by: 'x',
    });
    const feed = randomUUID();
    await insertFeed(tx, clubId, {
      feedId: feed,
      name: 'Workshop',
      secretHash: new Uint8Array(32),
      at,
      by: 'x',
    });
    await endFeedOnce(tx, clubId, feed, at, 'x');
    await insertMembershipChange(tx, clubId, {
      changeId: randomUUID(),
      personId: actor('renter').personId,
      name: 'The renter',
      roles: ['renter', 'student'],
      at,
      by: 'x',
    });
    const invitation = randomUUID();
    await insertInvitation(tx, clubId, {
      invitationId: invitation,
      personId: actor('renter').personId,
      kind: 'join',
      offers: null,
      email: 'x@example.org',
      validUntil: at,
      madeAt: at,
      secretHash: randomBytes(32),
      by: actor('administrator'),
    });
    await endInvitationOnce(tx, clubId, invitation, 'used', at, 'x');
    const box = {
      boxId: randomUUID(),
      aircraftId,
      name: 'Box',
      keyHash: randomBytes(32),
      offset: 0,
      at,
      by: 'x',
    };
    await insertBoxOnce(tx, clubId, box);
    await insertBoxReadings(
      tx,
      clubId,
      { ...box, fittedAt: at, removed: false },
      [{ sequence: 1, total: 0, value: 0, at }],
      at,
    );
    await endBoxOnce(tx, clubId, aircraftId, box.boxId, 'test', at, 'x');
    await insertCertificateEndOnce(tx, clubId, certificateOf('student'), 'test', at, 'x');
    await insertClubChange(
      tx,
      { ...(await readClub(tx, clubId)), changes: 1 },
      { changeId: randomUUID(), why: 'test', at, by: { personId: 'x', name: 'X' } },
    );
    // The same words once more: the decisions that other tests compare stay as they are.
    const { category, firstFlownOn, approvedFor, particulars } = cleanCase().facts.aircraft;
    await insertDescription(tx, clubId, aircraftId, 'x', {
      id: randomUUID(),
      recordedAt: at,
      category,
      firstFlownOn,
      approvedFor,
      particulars,
    });
    const struck = randomUUID();
    await insertReadings(tx, clubId, aircraftId, 'x', [
      { id: struck, meter: 'propeller', value: hours('1'), happenedAt: at, recordedAt: at, entered: '1.0' },
    ]);
    await insertStrikeOnce(tx, clubId, aircraftId, actor('dispatcher'), {
      id: randomUUID(),
      recordedAt: at,
      record: struck,
      kind: 'reading',
      why: 'test',
      replacedBy: null,
    });
    const { inspection_id: record } = await tx
      .selectFrom('inspection')
      .select('inspection_id')
      .where('aircraft_id', '=', aircraftId)
      .limit(1)
      .executeTakeFirstOrThrow();
    await insertVouchOnce(tx, clubId, {
      vouchId: randomUUID(),
      aircraftId,
      recordId: record,
      table: 'inspection',
      note: null,
      at,
      by: actor('mechanic'),
    });
    await insertRecordPhotoOnce(tx, clubId, {
      photoId: randomUUID(),
      aircraftId,
      recordId: record,
      width: 1,
      height: 1,
      bytes: new Uint8Array([1]),
      sha256: ports.sha256(new Uint8Array([1])),
      at,
      by: 'x',
    });
    await appendToLedger(
      tx,
      {
        clubId,
        aircraftId: null,
        revision: null,
        act: 'load-records',
        actor: { personId: 'x', name: 'X' },
        recordedAt: at,
        record: {},
      },
      ports.sha256,
    );
  });
}
export const tables = async () =>
  (
    await superuser.query<{ name: string; enabled: boolean; forced: boolean; owner: string }>(
      `select c.relname as name, c.relrowsecurity as enabled, c.relforcerowsecurity as forced, pg_get_userbyid(c.relowner) as owner from pg_class c join pg_namespace n on n.oid = c.relnamespace where n.nspname = 'groval' and c.relkind in ('r', 'p') order by 1`,
    )
  ).rows;
