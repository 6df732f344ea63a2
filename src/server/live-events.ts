import { Client } from 'pg';
import { CHANNEL, type Change } from '@/db/kernel/notify';
import type { Log } from './log';

/** Takes one event; the text is ready to be sent. */
export type Send = (event: 'change' | 'resync', data: string) => void;

const RETRY_MS = 1000;

/**
 * Live events of this process: one LISTEN connection for all open screens. A change is described once and sent to every
 * screen of its club. After a lost connection every screen is told to ask again, since changes may have been missed.
 */
export class LiveEvents {
  private readonly screens = new Map<string, Set<Send>>();
  private client: Client | null = null;
  private closed = false;
  private starting: Promise<void> | null = null;

  constructor(
    private readonly url: string,
    private readonly log: Log,
    private readonly describe: (change: Change) => Promise<string>,
  ) {}

  /** Adds a screen. Answers the function that removes it. */
  async add(club: string, send: Send): Promise<() => void> {
    this.starting ??= this.listen();
    await this.starting;
    const screens = this.screens.get(club) ?? new Set<Send>();
    this.screens.set(club, screens);
    screens.add(send);
    return () => {
      screens.delete(send);
      if (screens.size === 0 && this.screens.get(club) === screens) this.screens.delete(club);
    };
  }

  private async listen(): Promise<void> {
    while (!this.closed) {
      const client = new Client({ connectionString: this.url, application_name: 'groval live' });
      try {
        await client.connect();
        client.on('notification', ({ payload }) => {
          void this.changed(payload ?? '');
        });
        client.on('error', (error) => {
          this.lost(client, error);
        });
        client.on('end', () => {
          this.lost(client, new Error('the connection ended'));
        });
        await client.query(`listen ${CHANNEL}`);
        this.client = client;
        return;
      } catch (error) {
        this.log.warn({ err: error }, 'cannot listen for live events yet');
        await client.end().catch(() => undefined);
        await new Promise((resolve) => {
          setTimeout(resolve, RETRY_MS);
        });
      }
    }
  }

  private lost(client: Client, error: Error): void {
    if (this.closed || this.client !== client) return;
    this.client = null;
    this.log.warn({ err: error }, 'live events lost the database; trying again');
    this.starting = this.listen().then(() => {
      for (const screens of this.screens.values()) for (const send of screens) send('resync', '{}');
    });
  }

  private async changed(payload: string): Promise<void> {
    try {
      const change = JSON.parse(payload) as Change;
      const screens = this.screens.get(change.club);
      if (screens === undefined) return;
      const data = await this.describe(change);
      for (const send of screens) send('change', data);
    } catch (error) {
      this.log.error({ err: error }, 'a change could not be described; screens are told to ask again');
      for (const screens of this.screens.values()) for (const send of screens) send('resync', '{}');
    }
  }

  /** Ends the connection and forgets the screens. */
  async close(): Promise<void> {
    this.closed = true;
    this.screens.clear();
    await this.client?.end().catch(() => undefined);
  }
}
