import type { Database } from './connection';

/** So many wait for their turn in one club; more are refused. */
const MAX_WAITING = 200;

/** A club has as many transactions waiting as anybody may. PostgreSQL's own code for too many connections says the same. */
export class ClubIsBusy extends Error {
  readonly code = '53300';
  constructor() {
    super('too many transactions of one club are waiting');
  }
}

/** The turn of people who are not signed in: links, keys, codes. All of them together have a few connections, whichever club they name. */
export const STRANGERS = 'strangers';
const STRANGERS_AT_ONCE = 2;

interface Share {
  running: number;
  readonly waiting: (() => void)[];
}
interface Limit {
  readonly each: number;
  readonly clubs: Map<string, Share>;
}

const limits = new WeakMap<Database, Limit>();

/** From now on one club has at most so many transactions of this pool at a time, so that it never starves the others. @param each less than the pool's size */
export function limitEachClub(db: Database, each: number): void {
  limits.set(db, { each, clubs: new Map() });
}

/** Does the work when it is the club's turn (or the strangers'); at once where no limit was set. @throws ClubIsBusy */
export async function inItsTurn<T>(db: Database, clubId: string, work: () => Promise<T>): Promise<T> {
  const limit = limits.get(db);
  if (limit === undefined) return work();
  const share = limit.clubs.get(clubId) ?? { running: 0, waiting: [] };
  limit.clubs.set(clubId, share);
  if (share.running >= (clubId === STRANGERS ? Math.min(limit.each, STRANGERS_AT_ONCE) : limit.each)) {
    if (share.waiting.length >= MAX_WAITING) throw new ClubIsBusy();
    // The person who ends hands its place over, so that nobody slips in between.
    await new Promise<void>((resolve) => {
      share.waiting.push(resolve);
    });
  } else share.running += 1;
  try {
    return await work();
  } finally {
    const next = share.waiting.shift();
    if (next !== undefined) next();
    else {
      share.running -= 1;
      if (share.running === 0) limit.clubs.delete(clubId);
    }
  }
}
