import { post, type Session } from './client';
import type { Random } from './random';
import type { Tally } from './tally';
import type { World } from './world';

/** What several people do in the same moment. */
export interface Racers {
  readonly desk: Session;
  readonly renter: Session;
  readonly student: Session;
}

const finding = (aircraftId: string, findingId: string, what: string) => ({
  findingId,
  aircraftId,
  station: 'propeller',
  side: null,
  step: null,
  asListed: false,
  what,
  looks: 'would-not-fly',
  foundAt: '2026-11-28T12:00:00Z',
});

/** One finding, sent by many at once: the identical one is kept once, and nothing else passes under its id. */
async function sameFinding(
  base: string,
  { renter, student }: Racers,
  world: World,
  random: Random,
  tally: Tally,
): Promise<void> {
  const { id } = random.pick(world.aircraft);
  const findingId = random.uuid();
  const sent = [
    ...Array.from({ length: 6 }, () => [renter, 'Race'] as const),
    [student, 'Race'] as const,
    [renter, 'Something else'] as const,
  ];
  const answers = await Promise.all(
    sent.map(([who, what]) => post(base, who, '/api/findings', finding(id, findingId, what))),
  );
  for (const [at, { status, text }] of answers.entries())
    tally.answer(
      status === 0 ? 500 : status,
      true,
      () => `the same finding at once, ${at}: ${text.slice(0, 200)}`,
    );
  const passed = answers.filter(
    ({ status }, at) => status === 200 && sent[at]?.[1] === 'Race' && sent[at][0] === renter,
  ).length;
  const others = answers.filter(
    ({ status }, at) => status === 200 && !(sent[at]?.[1] === 'Race' && sent[at][0] === renter),
  ).length;
  // The person who came first decides what stands under the id; everybody else with something different is told.
  if (passed > 0 && others > 0)
    tally.wronglyAccepted.push(
      `finding ${findingId}: ${passed} of the one and ${others} of another were both answered as received`,
    );
}

/** Flights that are moved both ways between two aircraft, moved, cancelled and checked out in one moment: each ends in one place. */
async function movedFlights(
  base: string,
  { desk }: Racers,
  world: World,
  random: Random,
  tally: Tally,
): Promise<void> {
  const [first, second] = [random.pick(world.aircraft), random.pick(world.aircraft)];
  const plan = (aircraftId: string, flightId: string, replaces: string | null, starts: string) => ({
    flightId,
    replaces,
    flight: {
      aircraftId,
      person: 'Race',
      starts: { date: '2026-12-20', clock: starts },
      endsClock: '21:00',
      airborne: null,
      purpose: 'private-rental',
      crew: 'rated-pilot',
      rules: 'vfr',
      range: 'local',
      transponderAirspace: false,
      adsbAirspace: false,
      beyondGlide: false,
      passengers: false,
      persons: null,
      landings: null,
      towLaunches: null,
      fuelPlanned: null,
      reliesOnVor: false,
      reliesOnDatabase: false,
      places: [],
    },
  });
  const flights = await Promise.all(
    Array.from({ length: 8 }, async (_, at) => {
      const [id, aircraft] = [random.uuid(), at % 2 === 0 ? first : second];
      const { status, text } = await post(base, desk, '/api/flights', plan(aircraft.id, id, null, '10:00'));
      tally.answer(status === 0 ? 500 : status, true, () => `planning for a race: ${text.slice(0, 200)}`);
      return { id, at: aircraft, to: at % 2 === 0 ? second : first };
    }),
  );
  await Promise.all(
    flights.map(async ({ id, at, to }) => {
      const answers = await Promise.all([
        post(base, desk, '/api/flights', plan(to.id, random.uuid(), id, '11:00')),
        post(base, desk, '/api/flights', plan(at.id, random.uuid(), id, '12:00')),
        post(base, desk, '/api/flights/cancel', { flightId: id, aircraftId: at.id, why: null }),
      ]);
      for (const { status, text } of answers)
        tally.answer(status === 0 ? 500 : status, true, () => `moving at once: ${text.slice(0, 200)}`);
      const done = answers.filter(({ status }) => status === 200).length;
      if (done > 1) tally.doubled.push(`flight ${id} was moved or cancelled ${done} times`);
      if (done === 0 && answers.every(({ status }) => status !== 503))
        tally.lost.push(
          `flight ${id}: of three acts none was done (${answers.map(({ status }) => status).join()})`,
        );
    }),
  );
}

/** Every race, so many times. */
export async function race(
  base: string,
  racers: Racers,
  world: World,
  random: Random,
  tally: Tally,
  rounds: number,
): Promise<void> {
  for (let round = 0; round < rounds; round += 1) {
    await sameFinding(base, racers, world, random, tally);
    await movedFlights(base, racers, world, random, tally);
  }
}
