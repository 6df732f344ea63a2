import type { Pool } from 'pg';
import { inClub } from '@/db/kernel/club-transaction';
import type { Database } from '@/db/kernel/connection';
import { readMembers } from '@/db/club/people';
import type { Log } from './log';

/** A stream, and what it hangs on. */
export interface Watched {
  readonly sessionId: string;
  readonly personId: string;
  readonly clubId: string;
  readonly end: () => void;
}

const EVERY_MS = 5000;

/** Ends streams whose session or membership has ended: all of them looked at together, with one question for the sessions and one for each club. */
export class StreamWatch {
  private readonly watched = new Set<Watched>();
  private timer: NodeJS.Timeout | null = null;

  constructor(
    private readonly accounts: Pool,
    private readonly db: Database,
    private readonly log: Log,
    private readonly everyMs = EVERY_MS,
  ) {}

  /** Watches a stream. Answers the function that stops it. */
  add(stream: Watched): () => void {
    this.watched.add(stream);
    this.timer ??= setInterval(() => {
      void this.look().catch((error: unknown) => {
        this.log.warn({ err: error }, 'could not look whether streams may go on');
      });
    }, this.everyMs);
    return () => {
      this.watched.delete(stream);
      if (this.watched.size > 0 || this.timer === null) return;
      clearInterval(this.timer);
      this.timer = null;
    };
  }

  /** Looks at every stream once, and ends those that may not go on. */
  async look(): Promise<void> {
    const streams = [...this.watched];
    if (streams.length === 0) return;
    const { rows } = await this.accounts.query<{ id: string }>(
      'select id from session where id = any($1) and "expiresAt" > now()',
      [[...new Set(streams.map(({ sessionId }) => sessionId))]],
    );
    const alive = new Set(rows.map(({ id }) => id));
    const members = new Map<string, ReadonlySet<string>>();
    for (const clubId of new Set(streams.map((stream) => stream.clubId))) {
      members.set(
        clubId,
        new Set(
          (await inClub(this.db, clubId, readMembers))
            .filter(({ roles }) => roles.length > 0)
            .map(({ personId }) => personId),
        ),
      );
    }
    for (const { sessionId, personId, clubId, end } of streams)
      if (!alive.has(sessionId) || members.get(clubId)?.has(personId) !== true) end();
  }
}
