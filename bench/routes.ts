// What a person waits for at the desk: each screen's route, and a keystroke in the form of a flight to its
// answer. Taken in turn with the barest route that
// there is, so that whatever else the machine does hits all alike.
import { quantile, type Figure } from './measure';

const ROUNDS = 60;
/** Medians of routes, and the 95th percentile of an answer to a keystroke, in milliseconds. */
const ROUTE_MS = 20;
const KEYSTROKE_MS = 150;

const SCREENS = [
  ['the Line, 16 aircraft', '/api/line'],
  ['an aircraft’s page', '/api/aircraft/N02TB'],
  ['the rest of its page', '/api/aircraft/N02TB/folder'],
  ['dispatch', '/api/dispatch'],
  ['flights of the day', '/api/flights'],
  ['the club', '/api/club'],
  ['aircraft data', '/api/facts/N02TB'],
] as const;
/** Answers whether the database answers, and asks it at most once a second. */
const BARE = '/api/health';

export async function benchRoutes(url: string): Promise<readonly Figure[]> {
  const signedIn = await fetch(`${url}/api/demo`, {
    method: 'POST',
    headers: { origin: url, 'content-type': 'application/json' },
    body: JSON.stringify({ email: 'dispatcher@ternbay.example' }),
  });
  const cookie = signedIn.headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ');
  const timed = async (path: string, body?: object): Promise<number> => {
    const started = performance.now();
    const answer = await fetch(`${url}${path}`, {
      headers: { cookie, origin: url, 'content-type': 'application/json' },
      ...(body === undefined ? {} : { method: 'POST', body: JSON.stringify(body) }),
    });
    await answer.text();
    if (!answer.ok) throw new Error(`${path} was answered ${answer.status}`);
    return performance.now() - started;
  };
  const plan = (await (await fetch(`${url}/api/flights`, { headers: { cookie } })).json()) as {
    readonly dayAfter: string;
    readonly aircraft: readonly { readonly aircraftId: string }[];
  };
  const draft = (minute: number) => ({
    replaces: null,
    flight: {
      aircraftId: plan.aircraft[1]?.aircraftId ?? '',
      person: 'R. Dane',
      personId: null,
      starts: { date: plan.dayAfter, clock: '10:00' },
      endsClock: `11:${String(minute % 60).padStart(2, '0')}`,
      airborne: 0.9,
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
      altitudeFeet: null,
      alternateMinutes: null,
      authorisedWithout: [],
      exceptedAirspace: false,
      trainingWithin50Miles: false,
      places: [],
    },
  });
  const times = new Map<string, number[]>(
    [BARE, ...SCREENS.map(([, path]) => path)].map((path) => [path, []]),
  );
  const strokes: number[] = [];
  for (let round = -10; round < ROUNDS; round += 1) {
    for (const [path, list] of times) {
      const time = await timed(path);
      if (round >= 0) list.push(time);
    }
    const stroke = await timed('/api/flights/preview', draft(round + 10));
    if (round >= 0) strokes.push(stroke);
  }
  const median = (path: string) => quantile(times.get(path) ?? [], 0.5);
  const bare = median(BARE);
  const keystroke = quantile(strokes, 0.95);
  return [
    { name: 'the barest route', value: `${bare.toFixed(1)} ms`, note: `median of ${ROUNDS}` },
    ...SCREENS.map(([name, path]): Figure => ({
      name,
      value: `${median(path).toFixed(1)} ms`,
      note: `${(median(path) / bare).toFixed(1)} times the barest; wanted at most ${ROUTE_MS} ms`,
      met: median(path) <= ROUTE_MS,
    })),
    {
      name: 'a change in the form of a flight, to its answer',
      value: `${keystroke.toFixed(1)} ms`,
      note: `95th percentile; wanted at most ${KEYSTROKE_MS} ms, after a pause of 120 ms in typing`,
      met: keystroke <= KEYSTROKE_MS,
    },
  ];
}
