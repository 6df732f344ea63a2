import { Client } from 'pg';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { CHANNEL, type Change } from '@/db/kernel/notify';
import { given } from '@/testing/database';
import { LiveEvents } from './live-events';
import { openLog } from './log';

const log = openLog({ GROVAL_LOG_LEVEL: 'silent' });
let superuser: Client;
beforeAll(async () => {
  superuser = new Client({ connectionString: given('GROVAL_TEST_SUPERUSER_URL') });
  await superuser.connect();
});
afterAll(async () => {
  await superuser.end();
});

describe('live events', () => {
  let live: LiveEvents | null = null;
  afterEach(async () => {
    await live?.close();
    live = null;
  });
  const open = (
    describe: (change: Change) => Promise<string> = ({ aircraft }) => Promise.resolve(aircraft),
  ) => {
    live = new LiveEvents(given('DATABASE_URL'), log, describe);
    return live;
  };
  const screen = async (events: LiveEvents, club: string) => {
    const heard: string[] = [];
    const remove = await events.add(club, (event, data) => {
      heard.push(`${event} ${data}`);
    });
    return { heard, remove };
  };
  const change = (club: string, aircraft: string) =>
    superuser.query('select pg_notify($1, $2)', [CHANNEL, JSON.stringify({ club, aircraft, revision: 2 })]);

  it('a change is described once and reaches every screen of its club, and no other', async () => {
    let described = 0;
    const events = open(({ aircraft }) => {
      described += 1;
      return Promise.resolve(aircraft);
    });
    const [first, second, stranger] = [
      await screen(events, 'ours'),
      await screen(events, 'ours'),
      await screen(events, 'theirs'),
    ];
    await change('ours', 'N07TB');
    await expect.poll(() => [first.heard, second.heard]).toEqual([['change N07TB'], ['change N07TB']]);
    expect([stranger.heard, described]).toEqual([[], 1]);
  });
  it('a screen that has gone hears nothing more, and a club without screens costs nothing', async () => {
    let described = 0;
    const events = open(({ aircraft }) => {
      described += 1;
      return Promise.resolve(aircraft);
    });
    const [gone, stays] = [await screen(events, 'ours'), await screen(events, 'theirs')];
    gone.remove();
    await change('ours', 'N07TB');
    await change('theirs', 'N09TB');
    await expect.poll(() => stays.heard).toEqual(['change N09TB']);
    expect([gone.heard, described]).toEqual([[], 1]);
  });
  it('after a lost connection every screen is told to ask again, and changes arrive again', async () => {
    const events = open();
    const { heard } = await screen(events, 'ours');
    await superuser.query(
      `select pg_terminate_backend(pid) from pg_stat_activity where application_name = 'groval live'`,
    );
    await expect.poll(() => heard, { timeout: 10_000 }).toEqual(['resync {}']);
    await change('ours', 'N07TB');
    await expect.poll(() => heard, { timeout: 5000 }).toEqual(['resync {}', 'change N07TB']);
  });
  it('a change that cannot be described has screens ask again: none may go on showing an old verdict', async () => {
    const events = open(() => Promise.reject(new Error('damaged')));
    const { heard } = await screen(events, 'ours');
    await change('ours', 'N07TB');
    await expect.poll(() => heard).toEqual(['resync {}']);
    await superuser.query('select pg_notify($1, $2)', [CHANNEL, 'not JSON']);
    await expect.poll(() => heard).toEqual(['resync {}', 'resync {}']);
  });
});
