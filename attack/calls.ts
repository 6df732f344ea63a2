import { ACTS } from '../src/contracts/kernel/permissions';
import { ROUTES, ROUTE_NAMES, type Route, type RouteName } from '../src/contracts/kernel/routes';
import { call, NOBODY, type Session } from './client';
import { MUTATIONS, plausibleBody, type Mutation } from './generate';
import type { Random } from './random';
import type { Tally } from './tally';
import type { World } from './world';

/** Signing out in the middle would end what the others do; it is attacked apart. */
const APART: readonly RouteName[] = ['POST /api/auth/sign-out'];
/** Mutations of the reduced run, beside some by chance. */
const ALWAYS = ['plausible', 'another club’s ids', 'upper-case ids', 'NUL in a text', '2^31'];

/** Who attacks: a session, and the role by which the table says what it may. */
export interface Attacker {
  readonly session: Session;
  readonly role: string | null;
}

function pathOf(name: RouteName, world: World, random: Random): string {
  return (
    name.split(' ')[1]?.replaceAll(/\[(\w+)\]/g, (_, field: string) => {
      switch (field) {
        case 'registration':
          return random.pick(world.aircraft).registration;
        case 'flight':
          return random.pick([...(world.ids['flightId'] ?? []), random.uuid()]);
        case 'id':
          return random.pick([...(world.ids['discrepancyId'] ?? []), random.uuid()]);
        case 'photo':
          return random.uuid();
        case 'list':
          return random.pick([
            'fleet.csv',
            'flights.csv',
            'inspections.csv',
            'club.json',
            'nothing.csv',
            '../club.json',
          ]);
        case 'secret':
          return `${world.clubId}.${random.uuid().replaceAll('-', '').repeat(2)}.ics`;
        default:
          return random.uuid();
      }
    }) ?? '/'
  );
}

/** Whether the table lets this attacker in at all. */
function mayEnter({ access, acts }: Route, { session, role }: Attacker): boolean {
  if (access === 'open' || access === 'key') return true;
  if (session === NOBODY) return false;
  if (access === 'person' || acts.length === 0) return true;
  return acts.some((act) => (ACTS[act].roles as readonly string[]).includes(role ?? ''));
}

/** Statuses by which somebody is turned away who may not enter. */
const TURNED_AWAY = [401, 403, 404];

/** Every route by every attacker with every mutation (or some of them), from the table of routes: a new route is attacked without anybody remembering it. */
export async function attackRoutes(
  base: string,
  attackers: readonly Attacker[],
  world: World,
  other: World,
  random: Random,
  tally: Tally,
  whole: boolean,
): Promise<void> {
  for (const name of ROUTE_NAMES) {
    if (APART.includes(name)) continue;
    for (const attacker of attackers)
      await attackRoute(base, name, attacker, world, other, random, tally, whole);
    await attackFrame(base, name, attackers, world, random, tally);
  }
}

async function attackRoute(
  base: string,
  name: RouteName,
  attacker: Attacker,
  world: World,
  other: World,
  random: Random,
  tally: Tally,
  whole: boolean,
): Promise<void> {
  const route: Route = ROUTES[name];
  const [method] = name.split(' ') as [string];
  const enters = mayEnter(route, attacker);
  const one = async (where: World, mutation: string, mayPass: boolean, body?: string | Buffer) => {
    const path = pathOf(name, where, random);
    const { status, text } = await call(base, attacker.session, { method, path, body });
    const what = () =>
      `${name} (${path}) by ${attacker.session.name}, ${mutation}, seed ${random.seed}: ${(body?.toString() ?? '').slice(0, 300)} -> ${text.slice(0, 200)}`;
    tally.answer(status === 0 ? 500 : status, enters && mayPass, what);
    if (!enters && status < 500 && status !== 0 && !TURNED_AWAY.includes(status))
      tally.wronglyAccepted.push(`not turned away: ${status} ${what()}`);
  };
  if (route.body.kind !== 'json') {
    const body = route.body.kind === 'none' ? undefined : Buffer.from('no picture and no list');
    await one(world, 'as it is', true, body);
    // Another club's aircraft and flights are not there, the person who asks.
    if (/\[(registration|flight|id)\]/.test(name)) await one(other, 'another club’s address', false, body);
    return;
  }
  const { schema } = route.body;
  const chosen: readonly Mutation[] = whole
    ? MUTATIONS
    : MUTATIONS.filter((mutation) => ALWAYS.includes(mutation.name) || random.chance(0.15));
  // Somebody who may not enter is turned away before anything is read: two bodies show it.
  for (const mutation of enters ? chosen : chosen.slice(0, 2)) {
    if (isMadeHere(name, mutation)) continue;
    const body = mutation.apply(plausibleBody(schema, world, random), random, other);
    if (body !== null)
      await one(world, mutation.name, mutation.mayPass || isOpenToOthers(name, mutation), body);
  }
}

/** A new aircraft gets the id that its club's dispatcher sends: one that another club has, too, is no other aircraft's, and afterwards one's own. */
const isMadeHere = (name: RouteName, mutation: Mutation): boolean =>
  mutation.name === 'another club’s ids' && name === 'POST /api/fleet';

/** Open routes say something about any club’s link or key by design, and a preview says 'choose an aircraft' of one that is not there: ids of others are answered like made-up ones. */
const isOpenToOthers = (name: RouteName, mutation: Mutation): boolean =>
  mutation.name === 'another club’s ids' && (ROUTES[name].access === 'open' || name.endsWith('/preview'));

/** What is the same for every route: foreign pages, pages without an origin, more than may be sent. */
async function attackFrame(
  base: string,
  name: RouteName,
  attackers: readonly Attacker[],
  world: World,
  random: Random,
  tally: Tally,
): Promise<void> {
  const route: Route = ROUTES[name];
  const [method] = name.split(' ') as [string];
  if (method === 'GET') return;
  const { session } = attackers.find((one) => mayEnter(route, one) && one.session !== NOBODY) ?? {
    session: NOBODY,
  };
  const path = pathOf(name, world, random);
  if (route.access !== 'key') {
    for (const origin of ['https://elsewhere.example', 'null', '']) {
      const { status, text } = await call(base, session, { method, path, body: '{}', headers: { origin } });
      tally.answer(status, false, () => `${name} from origin '${origin}': ${text.slice(0, 200)}`);
      if (status !== 403)
        tally.wronglyAccepted.push(`${name} from origin '${origin}' was not refused for that: ${status}`);
    }
  }
  if (route.body.kind === 'none' || route.body.maxBytes > 2_000_000) return;
  const { status, text } = await call(base, session, {
    method,
    path,
    body: Buffer.alloc(route.body.maxBytes + 1, 97),
  });
  tally.answer(
    status,
    false,
    () =>
      `${name} with ${route.body.kind === 'none' ? 0 : route.body.maxBytes + 1} bytes: ${text.slice(0, 200)}`,
  );
  // Without its key nothing of a body is read at all.
  if (status !== 413 && !(route.access === 'key' && status === 401))
    tally.wronglyAccepted.push(`${name} read more than it may: ${status}`);
}
