import type { Rate, RateRatio } from '../core/quantities/event-rate';
import { hoursFromSeconds } from '../core/quantities/hours';
import { EQUIPMENT_KINDS } from '../core/records/aircraft/equipment';
import { FEWEST_TIMES, SOON, type Chronic } from '../core/records/findings/chronic';
import { stepOf } from '../core/walkround/classify';
import { placeOnAircraft } from '../core/walkround/place';
import { hoursLeftText } from './formats';
import { EQUIPMENT_NAMES } from './names';
import { list, sentenceCase } from './wording';

/** Seconds in service that a rate is told for: 100 hours. */
const PER = 100 * 3600;

const figure = (value: number): string =>
  value === Infinity ? 'no upper end' : value === 0 ? '0' : String(Number(value.toPrecision(2)));

/** `1.0 in 100 h (0.21 to 2.9)`: a rate with its interval of 95 %. */
function describeRate({ rate, low, high }: Rate): string {
  return `${figure(rate * PER)} in 100 h (${figure(low * PER)} to ${figure(high * PER)})`;
}

function describeRatio({ ratio, low, high }: RateRatio): string {
  const interval = high === Infinity ? `${figure(low)} or more` : `${figure(low)} to ${figure(high)}`;
  return ratio === Infinity
    ? `Never on the others: ${interval} times as often.`
    : `${figure(ratio)} times as often as on the others (${interval}).`;
}

/** What keeps coming back, in words: equipment by its name, a step by its item, a place by its own name. */
export function describePart(part: string): string {
  const [kind = '', name = ''] = part.split(/:(.*)/su);
  if (kind === 'equipment') {
    const names = name.split('+').flatMap((one) => {
      const known = EQUIPMENT_KINDS.find((each) => each === one);
      return known === undefined ? [] : [EQUIPMENT_NAMES[known]];
    });
    return sentenceCase(list(names));
  }
  if (kind === 'step') return stepOf(name)?.item ?? name;
  if (kind === 'place') return `In own words: ${placeOnAircraft(name, null)}`;
  return 'Water in the fuel';
}

/** Why it counts as chronic and how surely, each a sentence. */
export function describeChronic({
  because,
  times,
  rate,
  others,
  ratio,
  soonest,
  noFaultFound,
}: Chronic): readonly string[] {
  return [
    ...(because.includes('often') && ratio !== null ? [describeRatio(ratio)] : []),
    ...(because.includes('back-soon') && soonest !== null
      ? [`Back after ${hoursLeftText(hoursFromSeconds(Math.floor(soonest)))}.`]
      : []),
    ...(because.includes('no-fault-found') ? [`No fault was found ${noFaultFound} times.`] : []),
    rate === null
      ? `${times.length} times; how much the aircraft flew is not on record.`
      : `${times.length} times: ${describeRate(rate)}${others === null ? '' : `; the others ${describeRate(others)}`}.`,
  ];
}

/** How the list is made, for those who want to check it. */
export const CHRONIC_METHOD =
  `Counted over the last 12 months. What came while it was still open, or again on the same day, is one time. Often: at least ${FEWEST_TIMES} times,`
  + ' and the whole interval of 95 % of “how many times as often” lies above 1; that compares this aircraft’s times and hours in service with the'
  + ' club’s other aircraft together (exact, by the binomial distribution: Przyborowski and Wilenski 1940, Clopper and Pearson 1934). Back soon:'
  + ` within ${SOON / 3600} h in service of its return to service; water, of the cup before. Rates have the exact interval of 95 % of Garwood (1936). Of many things compared, some look`
  + ' often by chance alone: look at the aircraft before you conclude.';
