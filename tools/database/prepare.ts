// Makes roles, database and tables, and the demo's data where it is wanted. Started by the provisioning scripts.
// Everything comes in by the environment: GROVAL_SUPERUSER_URL, GROVAL_DATABASE, GROVAL_OWNER_WORD, GROVAL_APP_WORD,
// GROVAL_PREPARE_DEMO=1, and what the application itself reads.
import { openRuntime } from '../../src/server/runtime';
import { readEnvironment } from '../../src/server/environment';
import { insertAccount } from '../../src/db/club/accounts';
import { instantText } from '../../src/core/time/instant';
import { civilDateAt } from '../../src/core/time/zone';
import { inClub } from '../../src/db/kernel/club-transaction';
import { latestPlannedDay } from '../../src/db/flights/planned-flights';
import { DEMO_PASSWORD, PEOPLE, SISTER_PEOPLE } from '../../demo/people';
import { personId } from '../../demo/making';
import { makeSisterField, SISTER_ID } from '../../demo/sister-field';
import { CLUB_ID, makeTernBay, planToday, TERN_BAY } from '../../demo/tern-bay';
import { createRoles } from './create-roles';
import { migrate } from './migrate';

function need(name: string): string {
  const value = process.env[name];
  if (value === undefined || value === '') throw new Error(`${name} is not set`);
  return value;
}

async function demoData(): Promise<string> {
  const env = readEnvironment();
  const { ports, db, closers } = openRuntime(env);
  try {
    const now = ports.now();
    const today = civilDateAt(now, TERN_BAY.zone);
    const latest = await inClub(db, CLUB_ID, (tx) => latestPlannedDay(tx, TERN_BAY.zone));
    if (latest === null) {
      await Promise.all([makeTernBay(ports, now), makeSisterField(ports, now)]);
      const hash = await ports.hashPassword(DEMO_PASSWORD);
      for (const [clubId, people] of [
        [CLUB_ID, PEOPLE],
        [SISTER_ID, SISTER_PEOPLE],
      ] as const)
        for (const person of people)
          await inClub(db, clubId, (tx) =>
            insertAccount(tx, {
              personId: personId(person.key),
              name: person.name,
              email: person.email,
              hash,
              clubId,
            }),
          );
      return `demo data as of ${instantText(now)}`;
    }
    if (latest >= today) return 'demo data already there';
    await planToday(ports, now);
    return 'demo data already there, today’s flights planned';
  } finally {
    for (const close of closers.reverse()) await close();
  }
}

const superuser = need('GROVAL_SUPERUSER_URL');
const database = need('GROVAL_DATABASE');
await createRoles(superuser, database, { owner: need('GROVAL_OWNER_WORD'), app: need('GROVAL_APP_WORD') });
const owner = new URL(superuser);
owner.username = 'groval_owner';
owner.password = need('GROVAL_OWNER_WORD');
owner.pathname = `/${database}`;
const ran = await migrate(owner.toString());
const words = [ran.length === 0 ? 'tables up to date' : `${ran.length} migrations`];
if (process.env['GROVAL_PREPARE_DEMO'] === '1') words.push(await demoData());
process.stdout.write(`${words.join(', ')}\n`);
