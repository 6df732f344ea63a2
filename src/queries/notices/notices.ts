import { may } from '@/contracts/kernel/permissions';
import type { NoticeSettings } from '@/core/records/notices/notice';
import type { Instant } from '@/core/time/instant';
import { readClub } from '@/db/club/clubs';
import type { ClubTransaction } from '@/db/kernel/connection';
import { devicesOf, readPushes } from '@/db/notices/devices';
import { readMails } from '@/db/notices/mails';
import { readNotices, readSettings } from '@/db/notices/notices';
import { momentText } from '@/explain/formats';

/** What somebody was told. */
export interface NoticesPage {
  readonly now: Instant;
  readonly zone: string;
  readonly notices: readonly {
    readonly id: string;
    readonly title: string;
    readonly body: string;
    readonly path: string;
    readonly when: string;
    readonly isRead: boolean;
    readonly mail: string;
    /** On which of the reader's devices it was shown, or why it was not. */
    readonly devices: string;
  }[];
  readonly personId: string;
  readonly settings: NoticeSettings;
  /** False where this installation sends no mail. */
  readonly mailIsSet: boolean;
  /** By which push services know this installation; null where it tells no device. */
  readonly pushKey: string | null;
  readonly devices: readonly { readonly id: string; readonly name: string; readonly since: string }[];
  /** Mails that went: one's own; for who keeps the club's data everybody's. */
  readonly mails: readonly {
    readonly id: string;
    readonly person: string;
    readonly when: string;
    readonly titles: readonly string[];
    readonly state: string;
  }[];
  readonly seesAllMails: boolean;
}

const MOST = 60;
const MOST_DEVICES = 10;

const describePush = ({
  device,
  outcome,
  note,
}: {
  device: string;
  outcome: string;
  note: string;
}): string =>
  outcome === 'sent'
    ? `on ${device.toLowerCase()}`
    : outcome === 'gone'
      ? `${device.toLowerCase()} is not told any more`
      : `not on ${device.toLowerCase()}: ${note}`;

/** Reads what the reader was told, how they want to be told, and the mails. */
export async function readNoticesPage(
  tx: ClubTransaction,
  reader: { readonly clubId: string; readonly personId: string; readonly roles: readonly string[] },
  now: Instant,
  { mailIsSet, pushKey }: { readonly mailIsSet: boolean; readonly pushKey: string | null },
): Promise<NoticesPage> {
  const { zone } = (await readClub(tx, reader.clubId)).place;
  const notices = await readNotices(tx, reader.personId, MOST);
  const devices = await devicesOf(tx, reader.personId);
  const pushes = await readPushes(tx, reader.personId, MOST * MOST_DEVICES);
  const settings = await readSettings(tx, reader.personId);
  const seesAllMails = may(reader.roles, 'see-sent-mails');
  const mails = await readMails(tx, seesAllMails ? null : reader.personId, MOST);
  return {
    now,
    zone,
    notices: notices.map(({ id, title, body, path, recordedAt, isRead, mail }) => ({
      id,
      title,
      body,
      path,
      when: momentText(recordedAt, zone),
      isRead,
      mail:
        mail === null
          ? ''
          : mail.outcome === 'sent'
            ? `by mail ${momentText(mail.at, zone)}`
            : 'the mail was refused',
      devices: [...new Set(pushes.filter(({ noticeId }) => noticeId === id).map(describePush))].join(', '),
    })),
    personId: reader.personId,
    settings,
    mailIsSet,
    pushKey,
    devices: devices.map(({ id, name, since }) => ({ id, name, since: momentText(since, zone) })),
    mails: mails.map(({ id, person, begunAt, titles, end }) => ({
      id,
      person,
      when: momentText(begunAt, zone),
      titles,
      state:
        end === null
          ? 'not taken by the mail server yet; it goes again'
          : end.outcome === 'sent'
            ? `sent ${momentText(end.at, zone)}`
            : `refused: ${end.note}`,
    })),
    seesAllMails,
  };
}
