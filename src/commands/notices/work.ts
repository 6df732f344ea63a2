import { inClub } from '@/db/kernel/club-transaction';
import { aircraftToLookAt } from '@/db/notices/notices';
import type { Ports } from '../kernel/command';
import { AHEAD_S, lookForNotices } from './look';
import { mailNotices, peopleToMail } from './mail';
import { peopleToPush, pushNotices } from './push';

/** An aircraft with a flight ahead is looked at again after so many seconds, though nothing was recorded: time alone ends things. */
const AGAIN_S = 15 * 60;

/** What the jobs of the work behind the screens do. */
export const noticeWork = {
  aircraft: (ports: Pick<Ports, 'db' | 'now'>, clubId: string): Promise<readonly string[]> =>
    inClub(ports.db, clubId, (tx) => aircraftToLookAt(tx, ports.now(), { seconds: AGAIN_S, ahead: AHEAD_S })),
  look: lookForNotices,
  people: peopleToMail,
  mail: mailNotices,
  peopleToPush,
  push: pushNotices,
};
