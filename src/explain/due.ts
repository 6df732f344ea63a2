import type { DecidedConstraint } from '../core/decision/decision';
import { hoursFromSeconds } from '../core/quantities/hours';
import type { AircraftFacts } from '../core/records/facts';
import type { Interval } from '../core/records/maintenance/interval';
import type { CivilDate } from '../core/time/civil-date';
import { meterText, readingText } from './formats';
import { dateText, list } from './wording';
import { INSPECTION_NAMES, METER_NAMES_IN_WORDS } from './names';

/** What is due: how often, when it was last done, when it is due next, and how that was calculated. */
export interface DueWords {
  readonly interval: string;
  readonly last: string;
  readonly next: string;
  /** The sum, spelled out; empty where the next date is simply printed somewhere. */
  readonly sum: string;
}

const monthsBetween = (from: CivilDate, to: CivilDate): number =>
  (Number(to.slice(0, 4)) - Number(from.slice(0, 4))) * 12
  + Number(to.slice(5, 7))
  - Number(from.slice(5, 7));
const monthsText = (months: number) => `${months} calendar ${months === 1 ? 'month' : 'months'}`;

/** `12 calendar months or 50.0 h time in service`: whichever comes first. */
export function intervalText({
  months,
  monthsToTheDay,
  days,
  meters,
  whichever = 'first',
}: Interval): string {
  const parts = [
    ...(months === null ? [] : [monthsText(months)]),
    ...(monthsToTheDay === null ? [] : [`${monthsToTheDay} months to the day`]),
    ...(days === null ? [] : [`${days} days`]),
    ...meters.map(
      ({ meter, every }) =>
        `${meterText(meter, every)}${meter === 'time-in-service' ? '' : ` ${METER_NAMES_IN_WORDS[meter].replace('count of ', '')}`}`,
    ),
  ];
  return parts.length === 0
    ? 'once'
    : `every ${list(parts, 'or')}${parts.length > 1 ? `, whichever comes ${whichever}` : ''}`;
}

const endOfMonth = (completedOn: CivilDate, lastDay: CivilDate): string =>
  `${dateText(completedOn)} and ${monthsText(monthsBetween(completedOn, lastDay))}, to the end of that month: ${dateText(lastDay)}.`;

type Given = DecidedConstraint['reason'];
interface Around extends Pick<AircraftFacts, 'items' | 'ads'> {
  readonly records: readonly string[];
}

const on = (day: CivilDate): DueWords => ({ interval: '', last: '', next: dateText(day), sum: '' });

function tellItem(
  reason: Extract<Given, { code: 'item-expires' | 'item-due' }>,
  { items, records }: Around,
): DueWords {
  const item =
    items?.find(({ id }) => records.includes(id)) ?? items?.find(({ name }) => name === reason.name);
  const last = item?.done.at(-1);
  const interval = item === undefined ? '' : intervalText(item.interval);
  if (reason.code === 'item-expires')
    return {
      interval: reason.printed ? 'printed on it' : interval,
      last: last === undefined ? '' : dateText(last.completedOn),
      next: dateText(reason.lastDay),
      sum:
        reason.printed || last === undefined
          ? ''
          : `Counted from ${dateText(last.completedOn)}: ${dateText(reason.lastDay)}.`,
    };
  const then = last?.readings.find(({ meter }) => meter === reason.meter);
  const next = meterText(reason.meter, reason.dueAt);
  return {
    interval,
    last: then === undefined ? '' : meterText(reason.meter, then.value),
    next,
    sum:
      then === undefined
        ? ''
        : `${meterText(reason.meter, then.value)} + ${meterText(reason.meter, reason.dueAt - then.value + reason.takenOff)}${reason.takenOff > 0 ? ` − ${meterText(reason.meter, reason.takenOff)} late` : ''} = ${next}.`,
  };
}

function tellAd(reason: Extract<Given, { code: 'ad-expires' | 'ad-due' }>, { ads }: Around): DueWords {
  const ad = ads?.find(({ number }) => number === reason.number);
  const last = ad?.done.at(-1);
  const method = ad?.methods.find(({ id }) => id === last?.method);
  const interval = reason.first || method?.repeats == null ? 'first time' : intervalText(method.repeats);
  if (reason.code === 'ad-expires')
    return {
      interval,
      last: last === undefined ? '' : dateText(last.completedOn),
      next: dateText(reason.lastDay),
      sum: '',
    };
  const then = last?.readings.find(({ meter }) => meter === reason.meter);
  const next = meterText(reason.meter, reason.dueAt);
  const notBefore = reason.notBefore ?? null;
  return {
    interval,
    last: then === undefined ? '' : meterText(reason.meter, then.value),
    next: notBefore === null ? next : `${next} or ${dateText(notBefore)}, whichever comes later`,
    sum:
      then === undefined
        ? ''
        : `${meterText(reason.meter, then.value)} + ${meterText(reason.meter, reason.dueAt - then.value)} = ${next}.`,
  };
}

const tellMonths = ({
  completedOn,
  lastDay,
}: {
  readonly completedOn: CivilDate;
  readonly lastDay: CivilDate;
}): DueWords => ({
  interval: `every ${monthsText(monthsBetween(completedOn, lastDay))}`,
  last: dateText(completedOn),
  next: dateText(lastDay),
  sum: endOfMonth(completedOn, lastDay),
});

/** Reasons that are things to be done again, or that end. */
const DUE: {
  readonly [C in Given['code']]?: (reason: Extract<Given, { code: C }>, around: Around) => DueWords;
} = {
  'annual-expires': tellMonths,
  'inspection-expires': tellMonths,
  'item-expires': tellItem,
  'item-due': tellItem,
  'ad-expires': tellAd,
  'ad-due': tellAd,
  'hundred-hour-due': ({ dueAt, lastAt, lastKind, takenOff }) => {
    const every = hoursFromSeconds(dueAt - lastAt + takenOff);
    const other = lastKind === 'annual' || lastKind === 'condition';
    const stands = other ? ` The ${INSPECTION_NAMES[lastKind]} stands in for it.` : '';
    const sum =
      takenOff > 0
        ? `Done at ${readingText(lastAt)}, which was ${readingText(takenOff)} late: ${readingText(lastAt)} + ${readingText(every)} − ${readingText(takenOff)} = ${readingText(dueAt)}.`
        : `${readingText(lastAt)} + ${readingText(every)} = ${readingText(dueAt)}.`;
    return {
      interval: `every ${readingText(every)}`,
      last: `${readingText(lastAt)}${other ? ` (${INSPECTION_NAMES[lastKind]})` : ''}`,
      next: readingText(dueAt),
      sum: `${sum}${stands}`,
    };
  },
  'oil-change-due': ({ dueAt }) => ({
    interval: 'by the fuel burnt',
    last: '',
    next: meterText('engine', dueAt),
    sum: '',
  }),
  'vor-check-expires': ({ doneOn, lastDay }) => ({
    interval: 'every 30 days',
    last: dateText(doneOn),
    next: dateText(lastDay),
    sum: '',
  }),
  'registration-expires': ({ lastDay }) => on(lastDay),
  'elt-battery-expires': ({ lastDay }) => on(lastDay),
  'database-expires': ({ lastDay }) => on(lastDay),
  'release-expires': ({ lastDay }) => on(lastDay),
  'equipment-expires': ({ lastDay }) => on(lastDay),
  'club-document-expires': ({ lastDay }) => on(lastDay),
  'deferral-expires': ({ lastDay }) => on(lastDay),
  'elt-removed': ({ lastDay }) => on(lastDay),
  'release-due': ({ dueAt }) => ({ interval: '', last: '', next: readingText(dueAt), sum: '' }),
  'deferral-due': ({ dueAt }) => ({ interval: '', last: '', next: readingText(dueAt), sum: '' }),
  'release-work-due': ({ lastDay, dueAt }) => ({
    interval: 'once',
    last: '',
    next: list(
      [...(lastDay === null ? [] : [dateText(lastDay)]), ...(dueAt === null ? [] : [readingText(dueAt)])],
      'or',
    ),
    sum: '',
  }),
};

/** The parts of what is due in words; null for a constraint that is not a thing to be done again. */
export function tellDue(
  { reason, records }: Pick<DecidedConstraint, 'reason' | 'records'>,
  { items, ads }: Pick<AircraftFacts, 'items' | 'ads'>,
): DueWords | null {
  // The table pairs a code with its own teller; TypeScript cannot follow that pairing through the look-up.
  const tellers = DUE as Partial<Readonly<Record<string, (given: Given, around: Around) => DueWords>>>;
  return tellers[reason.code]?.(reason, { items, ads, records }) ?? null;
}
