import type { Method } from './method';
import type { CatalogueStep } from './catalogue';
import type { StationId } from './steps';

/** A place on the walk: a station, and its side where it has one. */
export interface Place {
  readonly station: StationId;
  readonly side: 'left' | 'right' | null;
}

/** One visit to a place, and which steps are done then. */
export interface Visit {
  readonly place: Place;
  /** @param side of this coming of the step @param lamp where a lamp is looked at in the one lap; null for what is no lamp */
  readonly takes: (step: CatalogueStep, side: 'left' | 'right' | null, lamp: Place | null) => boolean;
}

type Sector = 'left-wing' | 'tail' | 'right-wing' | 'nose';
const RINGS: Readonly<Record<Method['direction'], readonly Sector[]>> = {
  anticlockwise: ['left-wing', 'tail', 'right-wing', 'nose'],
  clockwise: ['left-wing', 'nose', 'right-wing', 'tail'],
};

/** Steps of the fuel station that belong to each tank and drain; the others are done once, at the strainer. */
const SAMPLED = ['K125', 'K131'];

const isSame = (a: Place, b: Place) => a.station === b.station && a.side === b.side;

/** Where a lamp, the pitot heat or the stall warning is looked at when there is no lap of its own for them; null for other steps. */
export function lampPlace(code: string, which: string | null): Place | null {
  switch (code) {
    case 'K062':
      return which === 'left, red'
        ? { station: 'wing', side: 'left' }
        : which === 'right, green'
          ? { station: 'wing', side: 'right' }
          : { station: 'tail', side: null };
    case 'K063':
    case 'K064':
      return { station: 'tail', side: null };
    case 'K065':
    case 'K066':
      return { station: 'nose-engine', side: null };
    case 'K067':
    case 'K068':
      return { station: 'wing', side: 'left' };
    default:
      return null;
  }
}

/** The places of a walk in the order of the school's method, each with the steps that are done there. Common practice, no source. */
export function visitsOf({ laps, start, direction, samples }: Method): readonly Visit[] {
  const onTheWay = laps === 'one';
  const visit = (
    station: StationId,
    side: Place['side'] = null,
    own: (step: CatalogueStep) => boolean = () => true,
  ): Visit => {
    const place = { station, side };
    return {
      place,
      takes: (step, of, lamp) =>
        lamp !== null && onTheWay
          ? isSame(lamp, place)
          : step.station === station && of === side && own(step),
    };
  };
  const tank = (side: 'left' | 'right') =>
    visit('fuel', side, ({ code }) => samples === 'at-each-tank' || !SAMPLED.includes(code));
  // What is done once of a station with two sides is done on the side that is reached first.
  const both = (side: 'left' | 'right', order: readonly StationId[]) =>
    order.map((station) => (station === 'fuel' ? tank(side) : visit(station, side)));
  const forwards: readonly StationId[] = ['wing', 'fuel', 'main-gear', 'fuselage'];
  const backwards: readonly StationId[] = ['fuselage', 'wing', 'fuel', 'main-gear'];
  const sector = (name: Sector): readonly Visit[] => {
    switch (name) {
      case 'left-wing':
        return both('left', direction === 'anticlockwise' ? forwards : backwards);
      case 'right-wing':
        return both('right', direction === 'anticlockwise' ? backwards : forwards);
      case 'tail':
        return [visit('tail', 'left'), visit('tail'), visit('tail', 'right')];
      case 'nose':
        return [visit('nose-engine'), visit('propeller'), visit('nose-tail-gear')];
      default: {
        const missing: never = name;
        throw new RangeError(`no such part of the walk: ${String(missing)}`);
      }
    }
  };
  const ring = RINGS[direction];
  const from = ring.indexOf(start);
  const round = [...ring.slice(from), ...ring.slice(0, from)].flatMap(sector);
  const firstFuselage = round.findIndex(({ place }) => place.station === 'fuselage');
  const strainer = [
    ...(samples === 'at-the-end'
      ? (['left', 'right'] as const).map((side) => visit('fuel', side, ({ code }) => SAMPLED.includes(code)))
      : []),
    visit('fuel'),
  ];
  return [
    visit('approach'),
    visit('cabin-power-off'),
    visit('power-on'),
    // The gauges are read at the panel, tank by tank.
    {
      place: { station: 'power-on', side: null },
      takes: (step, side) => step.code === 'K053' && side !== null,
    },
    ...round.slice(0, firstFuselage + 1),
    visit('fuselage'),
    ...round.slice(firstFuselage + 1),
    ...strainer,
    visit('glider'),
    visit('final'),
  ];
}
