// The Line's data path against its bare SQL: from the acquired connection to the JSON text, against the same SQL in the same
// kind of transaction, rows only.
import { gzipSync } from 'node:zlib';
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

export async function benchLine(db: Database, clubId: string, now: Instant): Promise<readonly Figure[]> {
  const times = { whole: [] as number[], bare: [] as number[], decisions: [] as number[] };
  let text = '';
  for (let round = -3; round < ROUNDS; round += 1) {
    const whole = await inClub(db, clubId, async (tx) => {
      const started = performance.now();
      text = JSON.stringify(await line(tx, clubId, now, true));
      return performance.now() - started;
    });
    const [bare, decisions] = await inClub(db, clubId, async (tx) => {
      const started = performance.now();
      const club = await readClub(tx, clubId);
      await readFactRows(tx, null, true);
      const today = civilDateAt(now, club.place.zone);
      await flightsBetween(tx, startOfDay(today, club.place.zone), endOfDay(today, club.place.zone), null);
      const sqlOnly = performance.now() - started;
      const aircraft = await keptFacts(tx, club, null);
      const deciding = performance.now();
      const rules = rulesOf(club);
      for (const stored of aircraft) {
        const { prepared, present } = preparedFor(stored, club, rules, now);
        decidePrepared(prepared, null, present);
      }
      return [sqlOnly, performance.now() - deciding];
    });
    if (round >= 0) {
      times.whole.push(whole);
      times.bare.push(bare);
      times.decisions.push(decisions);
    }
  }
  const [whole, bare, decisions] = [
    quantile(times.whole, 0.5),
    quantile(times.bare, 0.5),
    quantile(times.decisions, 0.5),
  ];
  const sent = gzipSync(text).length / 1024;
  return [
    { name: `the Line of ${AIRCRAFT} aircraft, 3 years: its bare SQL`, value: `${bare.toFixed(0)} ms` },
    {
      name: 'its data path, to the JSON text',
      value: `${whole.toFixed(0)} ms`,
      note: `${(whole / bare).toFixed(2)} times its bare SQL; wanted at most 3 (${Math.round(text.length / 1024)} kB of JSON)`,
      met: whole <= 3 * bare,
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
