import PgBoss from 'pg-boss';
import { z } from 'zod';
import type { Ports } from '@/commands/kernel/command';
import type { SendPush } from '@/core/records/notices/notice';
import { openPool } from '@/db/kernel/connection';
import { everyClub } from '@/db/notices/notices';
import { openMailer, type SendMail } from './mail';
import { openPusher, pushHosts, pushKeys } from './push';
import { JOBS_SCHEMA, type QueueName } from './queues';
import type { Runtime } from './runtime';

/** What the jobs do, given by who knows it. */
export interface NoticeWork {
  /** Aircraft of a club at which somebody should look now. */
  readonly aircraft: (ports: Ports, clubId: string) => Promise<readonly string[]>;
  readonly look: (ports: Ports, clubId: string, aircraftId: string) => Promise<void>;
  /** People of a club to whom a mail may be due. */
  readonly people: (ports: Ports, clubId: string) => Promise<readonly string[]>;
  readonly mail: (
    ports: Ports,
    send: SendMail,
    to: { readonly clubId: string; readonly personId: string; readonly url: string },
  ) => Promise<string>;
  /** People of a club whose devices are still to be told something. */
  readonly peopleToPush: (ports: Ports, clubId: string) => Promise<readonly string[]>;
  readonly push: (
    ports: Ports,
    send: SendPush,
    to: { readonly clubId: string; readonly personId: string },
  ) => Promise<number>;
}

/** Connections of the queue. */
const CONNECTIONS = 2;
/** Seconds between two questions of a worker for work. */
const POLL_S = 2;

const lookSchema = z.strictObject({ clubId: z.uuid(), aircraftId: z.uuid() });
const personSchema = z.strictObject({ clubId: z.uuid(), personId: z.string().min(1).max(200) });

/** Asked for within so many milliseconds, one look for notices is enough. */
const HURRY_MS = 1000;
const HURRY = Symbol.for('groval.hurry');
type Holder = { [HURRY]?: (() => void) | undefined };

/**
 * Has somebody look for what is to be told soon, and not only with the next minute. Does nothing where the work behind the screens does
 * not run.
 */
export function hurryNotices(): void {
  (globalThis as unknown as Holder)[HURRY]?.();
}

/**
 * Starts the work behind the screens: each minute somebody looks for what is to be told, in whichever
 * process; each look and each mail is a job of its own. All of it is found again from what is recorded, so
 * that a killed process loses nothing.
 * @returns what ends it
 */
export async function startJobs(
  { env, log, db, ports }: Runtime,
  work: NoticeWork,
): Promise<() => Promise<void>> {
  const pool = openPool(env.DATABASE_URL, CONNECTIONS);
  pool.on('error', (error) => {
    log.warn({ err: error }, 'an idle database connection was lost');
  });
  const boss = new PgBoss({
    schema: JOBS_SCHEMA,
    migrate: false,
    db: { executeSql: (text, values) => pool.query(text, values) },
  });
  boss.on('error', (error) => {
    log.warn({ err: error }, 'the job queue is in trouble; it goes on trying');
  });
  const mailer =
    env.GROVAL_SMTP_URL === undefined ? null : openMailer(env.GROVAL_SMTP_URL, env.GROVAL_MAIL_FROM);
  const send = (name: QueueName, data: object, key: string) => boss.send(name, data, { singletonKey: key });

  const keys = pushKeys(env);
  const pusher =
    keys === null ? null : openPusher(keys, `mailto:${env.GROVAL_MAIL_FROM}`, pushHosts(env), ports.now);
  // Whichever server sends takes it: this one may not.
  const askToPush = async (clubId: string): Promise<void> => {
    for (const personId of await work.peopleToPush(ports, clubId))
      await send('notices-push', { clubId, personId }, `${clubId}/${personId}`);
  };

  const sweep = async (): Promise<void> => {
    for (const clubId of await everyClub(db)) {
      for (const aircraftId of await work.aircraft(ports, clubId))
        await send('notices-look', { clubId, aircraftId }, aircraftId);
      for (const personId of await work.people(ports, clubId))
        await send('notices-mail', { clubId, personId }, `${clubId}/${personId}`);
      await askToPush(clubId);
    }
  };
  await boss.start();
  await boss.work('notices-sweep', { pollingIntervalSeconds: POLL_S }, sweep);
  await boss.work('notices-look', { pollingIntervalSeconds: POLL_S, batchSize: 20 }, async (jobs) => {
    for (const { data } of jobs) {
      const { clubId, aircraftId } = lookSchema.parse(data);
      await work.look(ports, clubId, aircraftId);
      // What was just written goes to the devices at once, and not only with the next minute.
      await askToPush(clubId);
    }
  });
  if (mailer !== null)
    await boss.work('notices-mail', { pollingIntervalSeconds: POLL_S }, async (jobs) => {
      for (const { data } of jobs) {
        const to = personSchema.parse(data);
        const outcome = await work.mail(ports, mailer.send, {
          ...to,
          url: env.GROVAL_URL.replace(/\/$/u, ''),
        });
        if (outcome !== 'nothing-due') log.info({ personId: to.personId, outcome }, 'a mail with notices');
      }
    });
  if (pusher !== null)
    await boss.work('notices-push', { pollingIntervalSeconds: POLL_S }, async (jobs) => {
      for (const { data } of jobs) {
        const to = personSchema.parse(data);
        const told = await work.push(ports, pusher, to);
        if (told > 0) log.info({ personId: to.personId, told }, 'notices on devices');
      }
    });
  await boss.schedule('notices-sweep', '* * * * *');
  const holder = globalThis as unknown as Holder;
  let last = 0;
  holder[HURRY] = () => {
    if (Date.now() - last < HURRY_MS) return;
    last = Date.now();
    send('notices-sweep', {}, '').catch((error: unknown) => {
      log.warn({ err: error }, 'the next look for notices comes with its minute');
    });
  };
  return async () => {
    holder[HURRY] = undefined;
    await boss.stop({ graceful: true, timeout: 5000 });
    mailer?.close();
    await pool.end();
  };
}
