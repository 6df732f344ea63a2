// The Line's data path against its bare SQL: from the acquired connection to the JSON text, against the same SQL in the same
// kind of transaction, rows only.
import { gzipSync } from 'node:zlib';
import { readVersions } from '../src/db/aircraft/aircraft-facts';
import { readFactRows } from '../src/db/aircraft/fact-rows';
import { inClub } from '../src/db/kernel/club-transaction';
import { readClub } from '../src/db/club/clubs';
import type { Database } from '../src/db/kernel/connection';
import { flightsBetween } from '../src/db/flights/planned-flights';
import { decidePrepared } from '../src/core/decision/decide';
import type { Instant } from '../src/core/time/instant';
import { civilDateAt, endOfDay, startOfDay } from '../src/core/time/zone';
import { line } from '../src/queries/aircraft/line';
import { keptFacts } from '../src/queries/kernel/kept-facts';
import { preparedFor, rulesOf } from '../src/queries/kernel/prepared';
import { AIRCRAFT } from './large-club';
import { quantile, type Figure } from './measure';

const ROUNDS = 15;
const SENT_KB = 250;
const SQL_MS = 100;
const MOST_TIMES = 1.2;

export async function benchLine(db: Database, clubId: string, now: Instant): Promise<readonly Figure[]> {
  const times = {
    whole: [] as number[],
    asked: [] as number[],
    every: [] as number[],
    decisions: [] as number[],
  };
  let text = '';
  for (let round = -3; round < ROUNDS; round += 1) {
    const whole = await inClub(db, clubId, async (tx) => {
      const started = performance.now();
      text = JSON.stringify(await line(tx, clubId, now, true));
      return performance.now() - started;
    });
    const [asked, every, decisions] = await inClub(db, clubId, async (tx) => {
      const started = performance.now();
      const club = await readClub(tx, clubId);
      await readVersions(tx, null);
      const today = civilDateAt(now, club.place.zone);
      await flightsBetween(tx, startOfDay(today, club.place.zone), endOfDay(today, club.place.zone), null);
      const sqlOnly = performance.now() - started;
      await readFactRows(tx, null, 'present');
      const withFacts = performance.now() - started;
      const aircraft = await keptFacts(tx, club, null);
      const deciding = performance.now();
      const rules = rulesOf(club);
      for (const stored of aircraft) {
        const { prepared, present } = preparedFor(stored, club, rules, now);
        decidePrepared(prepared, null, present);
      }
      return [sqlOnly, withFacts, performance.now() - deciding];
    });
    if (round >= 0) {
      times.whole.push(whole);
      times.asked.push(asked);
      times.every.push(every);
      times.decisions.push(decisions);
    }
  }
  const [whole, asked, every, decisions] = [
    quantile(times.whole, 0.5),
    quantile(times.asked, 0.5),
    quantile(times.every, 0.5),
    quantile(times.decisions, 0.5),
  ];
  const sent = gzipSync(text).length / 1024;
  return [
    {
      name: `the Line of ${AIRCRAFT} aircraft, 3 years: its bare SQL`,
      value: `${asked.toFixed(0)} ms`,
      note: `what changed, and the flights of the day; wanted at most ${SQL_MS} ms`,
      met: asked <= SQL_MS,
    },
    {
      name: 'the same with every fact, as the first look after a start reads them',
      value: `${every.toFixed(0)} ms`,
    },
    {
      name: 'its data path, to the JSON text',
      value: `${whole.toFixed(0)} ms`,
      note: `${(whole / every).toFixed(2)} times its SQL with every fact; wanted at most 1.2 (${Math.round(text.length / 1024)} kB of JSON)`,
      met: whole <= MOST_TIMES * every,
    },
    {
      name: 'what of it goes over the network',
      value: `${sent.toFixed(0)} kB`,
      note: `compressed; wanted at most ${SENT_KB} kB`,
      met: sent <= SENT_KB,
    },
    {
      name: 'decision work inside it',
      value: `${decisions.toFixed(0)} ms`,
      note: `${((100 * decisions) / whole).toFixed(0)} % of it; wanted at most 20 %`,
      met: decisions <= whole / 5,
    },
  ];
}
