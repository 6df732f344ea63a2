// The hostile run against a production server on loopback; tools/attack.mjs starts both and says what is in the environment:
// GROVAL_ATTACK_BASE, GROVAL_SUPERUSER_URL, GROVAL_ATTACK_SEED, GROVAL_ATTACK_PART (calls, slow, writer, phones),
// GROVAL_ATTACK_WHOLE=1. The writer writes until its standard input ends.
import { randomUUID } from 'node:crypto';
import { Client } from 'pg';
import { verify } from '../tools/database/verify';
import { attackRoutes, type Attacker } from './calls';
import { call, NOBODY, post, signIn } from './client';
import { guess } from './guessing';
import { checkFindings, untilDatabaseAnswers, writeWhileKilled } from './kills';
import { checkPhones, emptyPhones, phonesWithoutSignal } from './phones';
import { race } from './races';
import { Random } from './random';
import { manyStreams, streamEndsWithSession, trickledImports, unreadDownloads } from './slow';
import { Tally } from './tally';
import { addBystanders, clubsOf, lookAround } from './world';

const need = (name: string): string => {
  const value = process.env[name];
  if (value === undefined || value === '')
    throw new Error(`${name} is not set: start this by npm run attack`);
  return value;
};
const base = need('GROVAL_ATTACK_BASE');
const superuser = need('GROVAL_SUPERUSER_URL');
const whole = process.env['GROVAL_ATTACK_WHOLE'] === '1';
const part = need('GROVAL_ATTACK_PART');
// Each part has numbers of its own: an id that an earlier part has used for somebody else's finding is refused, as it should be.
const random = new Random(
  Number(need('GROVAL_ATTACK_SEED')) + ['calls', 'slow', 'writer', 'phones'].indexOf(part),
);
const tally = new Tally();
const newId = () => randomUUID();
const say = (text: string) => {
  process.stderr.write(`  ${text}\n`);
};

const client = new Client({ connectionString: superuser });
await client.connect();
const [ours, theirs] = await clubsOf(client);
if (ours === undefined || theirs === undefined) throw new Error('two clubs are needed');
let world = await lookAround(client, ours);
const other = await lookAround(client, theirs);
const [aircraft] = world.aircraft;
if (aircraft === undefined) throw new Error('no aircraft is there');

const ROLES = [
  'dispatcher',
  'renter',
  'student',
  'instructor',
  'mechanic',
  'safety-officer',
  'administrator',
] as const;
const sessions = Object.fromEntries(
  await Promise.all(ROLES.map(async (role) => [role, await signIn(base, role)] as const)),
) as Record<(typeof ROLES)[number], Awaited<ReturnType<typeof signIn>>>;

/** What must not have moved by anything that members of the one club did: everything of the other, and whose account is whose. */
async function untouched(): Promise<string> {
  const { rows: heads } = await client.query(
    'select chain, seq, hash from guard.head where club_id = $1 order by chain',
    [theirs],
  );
  const { rows: accounts } = await client.query(
    'select a."userId", a.password, u.email from auth.account a join auth."user" u on u.id = a."userId" where not exists (select from auth.account_origin o where o.person_id = u.id and o.club_id = $1) order by 1',
    [ours],
  );
  return JSON.stringify([heads, accounts]);
}

if (part === 'calls') {
  // The person who attacks keeps their roles and their account: what an administrator may do to people is done to others.
  world = await addBystanders(base, client, sessions.administrator, world);
  const before = await untouched();
  const attackers: Attacker[] = [
    { session: NOBODY, role: null },
    ...ROLES.map((role) => ({ session: sessions[role], role })),
  ];
  for (let turn = 0; turn < (whole ? 4 : 1); turn += 1)
    await attackRoutes(base, attackers, world, other, random, tally, whole);
  say(`routes: ${tally.line}`);
  await race(
    base,
    { desk: sessions.dispatcher, renter: sessions.renter, student: sessions.student },
    world,
    random,
    tally,
    whole ? 20 : 3,
  );
  say(`races: ${tally.line}`);
  await guess(base, tally, 'tern-bay-demo');
  if ((await untouched()) !== before) tally.wronglyAccepted.push('something of another club was changed');
  say(`guessing: ${tally.line}`);
}
if (part === 'slow') {
  await trickledImports(
    base,
    sessions.dispatcher,
    sessions.renter,
    aircraft.id,
    newId,
    tally,
    whole ? 30 : 6,
  );
  await unreadDownloads(
    base,
    [sessions.dispatcher, sessions.mechanic],
    sessions.renter,
    aircraft.id,
    newId,
    tally,
    whole ? 20 : 4,
  );
  await manyStreams(base, sessions.renter, sessions.student, tally, whole ? 200 : 25);
  await streamEndsWithSession(base, await signIn(base, 'instructor'), tally);
  // A database that answers and takes nothing: every change is told to come back, and health says so.
  await client.query(
    `do $$ begin execute format('alter database %I set default_transaction_read_only = on', current_database()); end $$`,
  );
  await client.query(
    `select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and usename = 'groval_app'`,
  );
  await new Promise((resolve) => {
    setTimeout(resolve, 1500);
  });
  const health = await call(base, NOBODY, { method: 'GET', path: '/api/health' });
  const written = await post(base, sessions.renter, '/api/findings', {
    findingId: newId(),
    aircraftId: aircraft.id,
    station: 'propeller',
    side: null,
    step: null,
    asListed: false,
    what: 'Read only',
    looks: 'cannot-tell',
    foundAt: '2026-11-28T12:00:00Z',
  });
  tally.calls += 2;
  if (health.status !== 503 || !health.text.includes('takes nothing'))
    tally.failures.push(`health of a database that takes nothing: ${health.status} ${health.text}`);
  if (written.status !== 503)
    tally.failures.push(`a finding into a database that takes nothing: ${written.status} ${written.text}`);
  await client.query(
    `set transaction_read_only = off; do $$ begin execute format('alter database %I reset default_transaction_read_only', current_database()); end $$`,
  );
  await client.query(
    `select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and usename = 'groval_app'`,
  );
  await new Promise((resolve) => {
    setTimeout(resolve, 1500);
  });
  const again = await call(base, NOBODY, { method: 'GET', path: '/api/health' });
  if (again.status !== 200) tally.failures.push(`health afterwards: ${again.status} ${again.text}`);
  say(`slow, greedy, read only: ${tally.line}`);
}
if (part === 'phones') {
  await client.end();
  const people = [sessions.renter, sessions.student, sessions.instructor, sessions.mechanic];
  const phones = await phonesWithoutSignal(base, people, world, whole ? 50 : 10, whole ? 20 : 6, random);
  process.stdout.write('sending\n');
  await emptyPhones(phones, random, tally);
  await untilDatabaseAnswers(superuser);
  const counts = await checkPhones(superuser, phones, tally);
  say(`${phones.length} phones came back into signal: ${counts}; ${tally.line}`);
} else if (part === 'writer') {
  await client.end();
  // What is killed meanwhile is told by the one who kills.
  process.stdout.write('writing\n');
  let isOver = false;
  process.stdin.resume().once('end', () => {
    isOver = true;
  });
  const sent = await writeWhileKilled(base, sessions.renter, world, random, () => isOver);
  await untilDatabaseAnswers(superuser);
  await checkFindings(superuser, sent, tally);
  say(
    `${sent.length} findings while it was killed, ${sent.filter(({ answered }) => answered).length} answered: ${tally.line}`,
  );
  if (sent.length === 0 || !sent.some(({ answered }) => answered))
    tally.failures.push('nothing was answered');
} else await client.end();

const { troubles, entries, records } = await verify(superuser, null);
for (const trouble of troubles) tally.wronglyAccepted.push(`ledger: ${trouble}`);
say(`ledger: ${entries} entries, ${records} records, ${troubles.length} troubles`);
for (const [what, list] of [
  ['500', tally.failures],
  ['wrongly accepted', tally.wronglyAccepted],
  ['lost', tally.lost],
  ['doubled', tally.doubled],
  ['hurt', tally.hurt],
] as const)
  for (const one of list.slice(0, 40)) process.stderr.write(`${what}: ${one}\n`);
process.stdout.write(`${JSON.stringify({ line: tally.line, clean: tally.isClean, calls: tally.calls })}\n`);
process.exit(tally.isClean ? 0 : 1);
