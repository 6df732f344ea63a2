import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { findingSchema } from '@/contracts/findings/report-finding';
import { returnToServiceSchema } from '@/contracts/findings/return-to-service';
import { hours as hoursOf } from '@/core/quantities/hours';
import { addSeconds, instantText } from '@/core/time/instant';
import { civilDateAt, wallClock } from '@/core/time/zone';
import { insertAccount } from '@/db/club/accounts';
import { inClub } from '@/db/kernel/club-transaction';
import { aircraftToLookAt, readNotices } from '@/db/notices/notices';
import { readNoticesPage } from '@/queries/notices/notices';
import { aircraftPage } from '@/queries/aircraft/aircraft-page';
import { openMailer } from '@/server/mail';
import { good, PASSWORD, testClub } from '@/testing/database';
import { PLAIN_RENTAL } from '@/testing/flight-draft';
import { release } from '@/testing/flight-release';
import { NO_EFFECTS } from '@/testing/work';
import { changeRoles } from '../club/members';
import { reportFinding } from '../findings/report-finding';
import { returnToService } from '../findings/return-to-service';
import { planOrMove } from '../flights/planning';
import { lookForNotices } from './look';
import { mailNotices } from './mail';
import { readOwnNotices, setOwnNotices } from './own-notices';
import { startMailSink, type MailSink } from '../../../demo/stand-ins/mail-sink';

/** An installation that sends mail, and tells no device. */
const MAILS = { mailIsSet: true, pushKey: null };

let club: Awaited<ReturnType<typeof testClub>>;
let sink: MailSink;
let mailer: ReturnType<typeof openMailer>;
type Role = Parameters<typeof club.actor>[0];
beforeAll(async () => {
  sink = await startMailSink({ smtp: 0, page: 0 });
  mailer = openMailer(sink.smtpUrl, 'notices@tern-bay.example');
});
afterAll(async () => {
  mailer.close();
  await sink.close();
});
beforeEach(async () => {
  club = await testClub();
  sink.setMood('takes');
});
const inTx = <T>(work: Parameters<typeof inClub<T>>[2]) => inClub(club.ports.db, club.clubId, work);
const later = (seconds = 60) => {
  club.ports.at = addSeconds(club.ports.at, seconds);
};
const look = () => lookForNotices(club.ports, club.clubId, club.aircraftId);
const told = (role: Role) => inTx((tx) => readNotices(tx, club.actor(role).personId, 50));
const mail = (role: Role) =>
  mailNotices(club.ports, mailer.send, {
    clubId: club.clubId,
    personId: club.actor(role).personId,
    url: 'http://127.0.0.1:3600',
  });
/** What the sink got for this test's club. */
const sunk = (role: Role) => sink.mails().filter(({ to }) => to.includes(club.actor(role).personId));

const flightAt = async (hours: number, role: Role = 'renter') => {
  const flightId = randomUUID();
  const starts = wallClock(addSeconds(club.ports.at, hours * 3600), club.place.zone);
  const two = (n: number) => String(n).padStart(2, '0');
  good(
    await planOrMove(club.ports, club.actor('dispatcher'), {
      flightId,
      replaces: null,
      flight: {
        aircraftId: club.aircraftId,
        person: `The ${role}`,
        personId: club.actor(role).personId,
        starts: {
          date: civilDateAt(addSeconds(club.ports.at, hours * 3600), club.place.zone),
          clock: `${two(starts.hour)}:${two(starts.minute)}`,
        },
        endsClock: `${two((starts.hour + 1) % 24)}:${two(starts.minute)}`,
        airborne: hoursOf('0.5'),
        ...PLAIN_RENTAL,
        landings: 1,
      },
    }),
  );
  later();
  return flightId;
};
const report = async (role: Role = 'student') => {
  const findingId = randomUUID();
  good(
    await reportFinding(
      club.ports,
      club.actor(role),
      findingSchema.parse({
        findingId,
        aircraftId: club.aircraftId,
        station: 'wing',
        side: 'left',
        step: null,
        asListed: false,
        what: 'Dent in the leading edge',
        looks: 'would-not-fly',
        foundAt: instantText(club.ports.at),
      }),
    ),
  );
  later();
  return findingId;
};
const repair = async (discrepancyId: string) => {
  const page = await inTx((tx) => aircraftPage(tx, club.actor('mechanic'), 'N02TB', club.ports.now()));
  good(
    await returnToService(
      club.ports,
      club.actor('mechanic'),
      returnToServiceSchema.parse({
        rectificationId: randomUUID(),
        discrepancyId,
        work: 'repaired',
        description: 'Dressed',
        completedOn: page?.today,
        certificateId: club.certificateOf('mechanic'),
        password: PASSWORD,
        seenRevision: page?.revision,
        effects: NO_EFFECTS,
        workId: randomUUID(),
      }),
    ),
  );
  later();
};
const titles = async (role: Role) => (await told(role)).map(({ title }) => title).toReversed();
const account = (role: Role) => {
  const { personId, name, clubId } = club.actor(role);
  return inTx((tx) =>
    insertAccount(tx, { personId, name, email: `${personId}@tern-bay.example`, hash: 'none', clubId }),
  );
};

describe('who waits for an aircraft', () => {
  it('is told that it is not available, and that it is again, once each; nobody else is', async () => {
    await flightAt(4);
    await look();
    expect(await told('renter')).toEqual([]);
    const finding = await report();
    await look();
    await look();
    expect(await titles('renter')).toEqual([
      expect.stringMatching(/^N02TB is not available for your flight on 24 Nov/u),
    ]);
    await repair(finding);
    await look();
    await look();
    expect(await titles('renter')).toEqual([
      expect.stringContaining('is not available'),
      expect.stringContaining('is available again'),
    ]);
    expect(await told('dispatcher')).toEqual([]);
  });
  it('is told once, however many look at once', async () => {
    await flightAt(4);
    await report();
    await Promise.all(Array.from({ length: 12 }, look));
    expect(await told('renter')).toHaveLength(1);
  });
  it('is not told of a flight that has begun, nor of one that is further away than a week', async () => {
    await flightAt(1);
    await flightAt(8 * 24);
    await report();
    later(2 * 3600);
    await look();
    expect(await told('renter')).toEqual([]);
  });
});

describe('a release that becomes void', () => {
  it('is told to who holds it and to who signed it, once, and not to who ended it', async () => {
    const flightId = await flightAt(4);
    good(await release(club.ports, club.actor('dispatcher'), flightId));
    later();
    await report('instructor');
    await Promise.all([look(), look()]);
    await look();
    const about = async (role: Role) => (await titles(role)).filter((title) => title.includes('release'));
    expect(await about('renter')).toEqual(['N02TB: the release is void']);
    expect(await about('dispatcher')).toEqual(['N02TB: the release is void']);
    expect(await about('instructor')).toEqual([]);
    expect((await told('renter')).find(({ title }) => title.includes('void'))?.body).toContain(
      'Do not leave with it',
    );
  });
  it('is not told to who found it themselves', async () => {
    const flightId = await flightAt(4);
    good(await release(club.ports, club.actor('dispatcher'), flightId));
    later();
    await report('renter');
    await look();
    expect((await titles('renter')).filter((title) => title.includes('release'))).toEqual([]);
    expect((await titles('dispatcher')).filter((title) => title.includes('release'))).toHaveLength(1);
  });
});

describe('who reported a finding', () => {
  it('is told what became of it, and not what they did themselves', async () => {
    const finding = await report('student');
    const own = await report('mechanic');
    await look();
    expect(await told('student')).toEqual([]);
    await repair(finding);
    await repair(own);
    await look();
    expect(await told('student')).toMatchObject([
      { title: 'N02TB: what you found was dealt with and closed', body: '“Dent in the leading edge”' },
    ]);
    expect(await told('mechanic')).toEqual([]);
  });
  it('is not told what happened long before anybody looked', async () => {
    await repair(await report());
    later(3 * 86_400);
    await look();
    expect(await told('student')).toEqual([]);
  });
});

describe('an aircraft is looked at', () => {
  const wanted = () =>
    inTx((tx) => aircraftToLookAt(tx, club.ports.now(), { seconds: 900, ahead: 7 * 86_400 }));
  it('when something was recorded; and with a flight ahead again after a while', async () => {
    expect(await wanted()).toEqual([club.aircraftId]);
    await look();
    expect(await wanted()).toEqual([]);
    await report();
    expect(await wanted()).toEqual([club.aircraftId]);
    await look();
    later(3600);
    expect(await wanted()).toEqual([]);
    await flightAt(4);
    await look();
    expect(await wanted()).toEqual([]);
    later(901);
    expect(await wanted()).toEqual([club.aircraftId]);
  });
});

describe('a mail', () => {
  beforeEach(async () => {
    await account('renter');
    await flightAt(4);
    await report();
    await look();
  });
  it('goes once it has waited a little, once; the page says so', async () => {
    expect(await mail('renter')).toBe('nothing-due');
    later(121);
    expect(await mail('renter')).toBe('sent');
    expect(await mail('renter')).toBe('nothing-due');
    const [got, ...more] = sunk('renter');
    expect(more).toEqual([]);
    expect(got?.subject).toMatch(/^N02TB is not available/u);
    expect(got?.text).toContain('http://127.0.0.1:3600/aircraft/N02TB');
    expect((await told('renter'))[0]?.mail).toMatchObject({ outcome: 'sent' });
    const shown = await inTx((tx) =>
      readNoticesPage(tx, club.actor('administrator'), club.ports.now(), MAILS),
    );
    expect(shown.mails).toMatchObject([
      { person: 'The renter', state: expect.stringMatching(/^sent/u) as string },
    ]);
    const others = await inTx((tx) => readNoticesPage(tx, club.actor('student'), club.ports.now(), MAILS));
    expect(others.mails).toEqual([]);
  });
  it('waits while the mail server is down or busy, and is lost in neither', async () => {
    later(121);
    sink.setMood('busy');
    await expect(mail('renter')).rejects.toThrow(/try again later/u);
    const nowhere = openMailer('smtp://127.0.0.1:9', 'notices@tern-bay.example');
    later(301);
    await expect(
      mailNotices(club.ports, nowhere.send, {
        clubId: club.clubId,
        personId: club.actor('renter').personId,
        url: 'http://127.0.0.1:3600',
      }),
    ).rejects.toThrow(/ECONNREFUSED/u);
    nowhere.close();
    expect(sunk('renter')).toEqual([]);
    sink.setMood('takes');
    // Begun a moment ago: another process may still be at it.
    expect(await mail('renter')).toBe('nothing-due');
    later(301);
    expect(await mail('renter')).toBe('sent');
    expect(sunk('renter')).toHaveLength(1);
  });
  it('that a killed process may have sent goes again as the same mail', async () => {
    later(121);
    const dies = async (one: Parameters<typeof mailer.send>[0]) => {
      await mailer.send(one);
      throw new Error('killed');
    };
    const to = { clubId: club.clubId, personId: club.actor('renter').personId, url: 'http://127.0.0.1:3600' };
    await expect(mailNotices(club.ports, dies, to)).rejects.toThrow('killed');
    const before = sink.received().length;
    later(301);
    expect(await mail('renter')).toBe('sent');
    expect(sink.received()).toHaveLength(before + 1);
    // Under its own name: who gets it twice can tell, as the sink does.
    expect(sunk('renter')).toHaveLength(1);
  });
  it('that is refused for good is not sent again, and the page says why', async () => {
    later(121);
    sink.setMood('refuses');
    expect(await mail('renter')).toBe('refused');
    expect(await mail('renter')).toBe('nothing-due');
    const shown = await inTx((tx) => readNoticesPage(tx, club.actor('renter'), club.ports.now(), MAILS));
    expect(shown.mails[0]?.state).toContain('no such person here');
  });
  it('is one for several notices, and none for what was seen', async () => {
    await flightAt(6);
    await look();
    later(121);
    expect(await mail('renter')).toBe('sent');
    expect(sunk('renter')[0]?.subject).toBe('Test club: 2 notices');
    await flightAt(8);
    await look();
    const ids = (await told('renter')).map(({ id }) => id);
    good(await readOwnNotices(club.ports, club.actor('renter'), { noticeIds: ids }));
    later(121);
    expect(await mail('renter')).toBe('nothing-due');
  });
  it('does not go to who wants none, nor twice when two processes try at once', async () => {
    later(121);
    const both = await Promise.all([mail('renter'), mail('renter'), mail('renter')]);
    expect(both.toSorted()).toEqual(['nothing-due', 'nothing-due', 'sent']);
    good(
      await setOwnNotices(club.ports, club.actor('renter'), {
        settingId: randomUUID(),
        settings: { mail: false, quiet: null, digestAt: null },
      }),
    );
    await flightAt(5);
    await look();
    later(121);
    expect(await mail('renter')).toBe('nothing-due');
  });
});

describe('who has left the club', () => {
  it('gets no mail of it any more', async () => {
    await account('renter');
    await flightAt(4);
    await report();
    await look();
    const { personId, name } = club.actor('renter');
    good(
      await changeRoles(club.ports, club.actor('administrator'), {
        changeId: randomUUID(),
        personId,
        name,
        roles: [],
      }),
    );
    later(121);
    expect(await mail('renter')).toBe('nothing-due');
  });
});

describe('one’s own notices', () => {
  it('are marked by oneself alone, and never by another', async () => {
    await flightAt(4);
    await report();
    await look();
    const ids = (await told('renter')).map(({ id }) => id);
    good(await readOwnNotices(club.ports, club.actor('student'), { noticeIds: ids }));
    expect((await told('renter')).map(({ isRead }) => isRead)).toEqual([false]);
    good(await readOwnNotices(club.ports, club.actor('renter'), { noticeIds: ids }));
    good(await readOwnNotices(club.ports, club.actor('renter'), { noticeIds: ids }));
    expect((await told('renter')).map(({ isRead }) => isRead)).toEqual([true]);
  });
});
