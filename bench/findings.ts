// The list of new findings of a large club: the server's time against its bare queries, and what the browser blocks for while somebody
// goes through it.
import { chromium } from '@playwright/test';
import { sql } from 'kysely';
import type { Instant } from '../src/core/time/instant';
import { readClub } from '../src/db/club/clubs';
import { readWaiting } from '../src/db/findings/waiting';
import { readFlownSince, readOccurrences } from '../src/db/findings/occurrences';
import { inClub } from '../src/db/kernel/club-transaction';
import type { Database } from '../src/db/kernel/connection';
import { addSeconds } from '../src/core/time/instant';
import { readChronicList } from '../src/queries/findings/chronic';
import { triageList } from '../src/queries/findings/triage';
import { ownCertificates } from '../src/queries/kernel/own-certificates';
import { AIRCRAFT, countRows } from './large-club';
import { CHROMIUM_ARGUMENTS, quantile, type Figure } from './measure';

const ROUNDS = 12;
const FINDINGS = 5000;
const MOST_TIMES = 3;
const LONG_TASK_MS = 50;
const YEAR_S = 365 * 86_400;

/** Writes findings about which nobody has decided, until there are 5,000. */
export async function withNewFindings(db: Database, clubId: string, now: Instant): Promise<void> {
  const at = new Date(now);
  await inClub(db, clubId, async (tx) => {
    const each = Math.ceil((FINDINGS - (await readWaiting(tx, now, 1)).total) / AIRCRAFT);
    await sql`insert into discrepancy (club_id, discrepancy_id, aircraft_id, station, side, step, as_listed, what, looks, found_by, found_by_name, classification, closes_uses, happened_at, recorded_at)
      select ${clubId}, gen_random_uuid(), aircraft_id, 'main-gear', case n % 2 when 0 then 'left' else 'right' end, 'K136', true, 'Tyre: cut ' || n, 'not-right', 'bench', 'Pia Okoro',
        'tell-instructor', array[]::text[], ${at}::timestamptz - make_interval(hours => n), ${at}::timestamptz - make_interval(hours => n) from aircraft, generate_series(1, ${each}::int) n`.execute(
      tx,
    );
    await sql`update aircraft set revision = revision + 1`.execute(tx);
    await countRows(tx, clubId, now);
  });
}

/** The server's time for the list and for chronic defects. @param reader somebody who decides there */
export async function benchFindings(
  db: Database,
  clubId: string,
  now: Instant,
  personId: string,
): Promise<readonly Figure[]> {
  const times = {
    whole: [] as number[],
    bare: [] as number[],
    chronic: [] as number[],
    chronicBare: [] as number[],
  };
  const reader = { clubId, personId, name: 'The desk', roles: ['dispatcher'] };
  const timed = async (work: () => Promise<unknown>): Promise<number> => {
    const started = performance.now();
    await work();
    return performance.now() - started;
  };
  let total = 0;
  for (let round = -2; round < ROUNDS; round += 1) {
    const took = await inClub(db, clubId, async (tx) => ({
      whole: await timed(async () => {
        const list = await triageList(tx, reader, now);
        total = list.total;
        return JSON.stringify(list);
      }),
      bare: await timed(async () => {
        await readClub(tx, clubId);
        await readWaiting(tx, now, 50);
        await ownCertificates(tx, personId);
      }),
      chronic: await timed(() => readChronicList(tx, clubId, now)),
      chronicBare: await timed(async () => {
        await readOccurrences(tx, addSeconds(now, -YEAR_S));
        await readFlownSince(tx, addSeconds(now, -YEAR_S));
      }),
    }));
    if (round >= 0)
      for (const name of Object.keys(times) as (keyof typeof times)[]) times[name].push(took[name]);
  }
  const median = (name: keyof typeof times) => quantile(times[name], 0.5);
  const ratio = median('whole') / median('bare');
  return [
    {
      name: `new findings: ${total} of ${AIRCRAFT} aircraft, the first page`,
      value: `${median('whole').toFixed(0)} ms`,
      note: `${ratio.toFixed(2)} times its bare queries (${median('bare').toFixed(0)} ms); wanted at most ${MOST_TIMES}`,
      met: ratio <= MOST_TIMES && total >= FINDINGS,
    },
    {
      name: 'chronic defects of the same club',
      value: `${median('chronic').toFixed(0)} ms`,
      note: `${(median('chronic') / median('chronicBare')).toFixed(2)} times its bare queries`,
    },
  ];
}

/** What the browser blocks for while somebody scrolls through the list and goes down it by keys. */
export async function benchFindingsPage(
  url: string,
  large: { readonly email: string; readonly clubId: string },
): Promise<readonly Figure[]> {
  const browser = await chromium.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: CHROMIUM_ARGUMENTS,
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const headers = { origin: url };
    await page.request.post(`${url}/api/demo`, { headers, data: { email: large.email } });
    await page.request.post(`${url}/api/me/club`, { headers, data: { clubId: large.clubId } });
    await page.goto(`${url}/triage`);
    await page.getByRole('option').first().waitFor();
    await page.waitForTimeout(2000);
    await page.evaluate(() => {
      const kept = window as unknown as { tasks: number[] };
      kept.tasks = [];
      new PerformanceObserver((list) => {
        for (const { duration } of list.getEntries()) kept.tasks.push(duration);
      }).observe({ entryTypes: ['longtask'] });
    });
    const list = page.getByRole('listbox');
    await list.hover();
    for (let step = 0; step < 40; step += 1) {
      await page.mouse.wheel(0, 240);
      await page.waitForTimeout(30);
    }
    for (let step = 0; step < 30; step += 1) await page.keyboard.press('ArrowDown');
    await page.waitForTimeout(500);
    const tasks = await page.evaluate(() => (window as unknown as { tasks: number[] }).tasks);
    const longest = Math.max(0, ...tasks);
    return [
      {
        name: 'new findings: longest task while scrolling and going down by keys',
        value: `${longest.toFixed(0)} ms`,
        note: `${tasks.length} over ${LONG_TASK_MS} ms; wanted none`,
        met: tasks.length === 0,
      },
    ];
  } finally {
    await browser.close();
  }
}
