import { mailAt } from '@/core/records/notices/notice';
import { addSeconds, type Instant } from '@/core/time/instant';
import { accountsOf } from '@/db/club/accounts';
import { membershipsOf, readClub } from '@/db/club/clubs';
import { inClub } from '@/db/kernel/club-transaction';
import {
  beginMail,
  endMail,
  lockMail,
  noticesOfMail,
  openMail,
  readUnsent,
  tryMail,
} from '@/db/notices/mails';
import { readSettings } from '@/db/notices/notices';
import { describeMail } from '@/explain/notices';
import type { Ports } from '../kernel/command';

/** A mail that is ready to go. The same id is the same mail: who gets it twice can tell. */
export interface Mail {
  readonly id: string;
  readonly to: string;
  readonly subject: string;
  readonly text: string;
}

/** Sends one mail. @throws where nobody knows whether it was taken, or the server cannot take it now: it is sent again later */
export type SendMail = (mail: Mail) => Promise<{ readonly refused: string | null }>;

/** A mail that was tried so recently may still be on its way from another process. */
const UNDER_WAY_S = 300;

/** The mail that is due for a person now, begun in the database; null where none is. */
async function due(
  ports: Pick<Ports, 'db' | 'now' | 'newId'>,
  clubId: string,
  personId: string,
  url: string,
): Promise<Mail | null> {
  const now = ports.now();
  return inClub(ports.db, clubId, async (tx) => {
    await lockMail(tx, personId);
    const to = (await accountsOf(tx, [personId])).get(personId);
    // Whose membership has ended is told nothing of the club any more.
    const isMember = (await membershipsOf(tx, personId)).some(
      (one) => one.clubId === clubId && one.roles.length > 0,
    );
    if (to === undefined || !isMember) return null;
    const { name, place } = await readClub(tx, clubId);
    const begun = await openMail(tx, personId);
    if (begun !== null) {
      // Begun and never ended: its process was killed. It goes again as it was, under its own id.
      if (begun.at > addSeconds(now, -UNDER_WAY_S)) return null;
      await tryMail(tx, clubId, begun.id, now);
      return { id: begun.id, to, ...describeMail(await noticesOfMail(tx, begun.notices), name, url) };
    }
    const unsent = await readUnsent(tx, now, personId);
    const at = mailAt(unsent, await readSettings(tx, personId), place.zone);
    if (at === null || at > now) return null;
    const id = ports.newId();
    await beginMail(tx, clubId, { id, personId, notices: unsent.map((one) => one.id), at: now });
    await tryMail(tx, clubId, id, now);
    return { id, to, ...describeMail(unsent, name, url) };
  });
}

/**
 * Sends a person the mail that is due, if one is. Said to be sent only once the mail server has taken it;
 * where that server is down the error goes on, and the mail goes again under the same id.
 */
export async function mailNotices(
  ports: Pick<Ports, 'db' | 'now' | 'newId'>,
  send: SendMail,
  { clubId, personId, url }: { readonly clubId: string; readonly personId: string; readonly url: string },
): Promise<'nothing-due' | 'sent' | 'refused'> {
  const mail = await due(ports, clubId, personId, url);
  if (mail === null) return 'nothing-due';
  const { refused } = await send(mail);
  const outcome = refused === null ? 'sent' : 'refused';
  await inClub(ports.db, clubId, (tx) =>
    endMail(tx, clubId, { id: mail.id, outcome, note: refused ?? '', at: ports.now() }),
  );
  return outcome;
}

/** The people of a club to whom a mail may be due. */
export async function peopleToMail(
  ports: Pick<Ports, 'db' | 'now'>,
  clubId: string,
): Promise<readonly string[]> {
  const now: Instant = ports.now();
  return inClub(ports.db, clubId, async (tx) => [
    ...new Set((await readUnsent(tx, now, null)).map(({ personId }) => personId)),
  ]);
}
