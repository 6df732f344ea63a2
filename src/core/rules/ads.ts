import { compareTexts } from '../order';
import { ALL_USES } from '../envelope/use-set';
import { workOfMethod, type AirworthinessDirective } from '../records/maintenance/ad';
import type { KnownFacts } from '../records/facts';
import { lastDayOf, nextDue, type Interval } from '../records/maintenance/interval';
import { countingDone } from '../records/maintenance/maintenance-item';
import type { Meter } from '../records/meters/meters';
import type { CivilDate } from '../time/civil-date';
import { startOfDay } from '../time/zone';
import {
  constraint,
  from,
  remedy,
  MECHANICS,
  RECORD_KEEPER,
  type Constraint,
  type Remedy,
} from './parts/constraint';
import { closesAfter, closesAt, closesAtLater, type DueLimits, type DueParts } from './parts/due';
import { meterTroubles } from './parts/meter';
import { each, result, rule } from './parts/rule';
import { unsignedWork } from './parts/unsigned-work';

const source = { kind: 'regulation', citation: '14 CFR 39.3 to 39.27' } as const;

const isEmptyInterval = ({ months, monthsToTheDay, days, meters }: Interval) =>
  months === null && monthsToTheDay === null && days === null && meters.length === 0;

/** What a compliance is signed for; by a method that nobody named, or that the AD does not list, what a mechanic signs for. */
const workOf = (methods: AirworthinessDirective['methods'], method: string | null) =>
  workOfMethod(methods.find(({ id }) => id === method) ?? {});

/** The compliances that count, oldest first: signed, in time, and by a method that the AD lists. */
function complied({ done, methods }: AirworthinessDirective, facts: KnownFacts) {
  const signed = (['return-to-service', 'service'] as const).flatMap((work) =>
    countingDone(
      done.filter(({ method }) => workOf(methods, method) === work),
      work,
      facts.place.zone,
      facts.authority,
    ),
  );
  return signed
    .sort((a, b) => compareTexts(a.completedOn, b.completedOn))
    .flatMap((one) => {
      const method = methods.find(({ id }) => id === one.method);
      return method === undefined ? [] : [{ ...one, method }];
    });
}

/** Readings of the first limit count from the day on which the AD took effect. */
function firstDue(ad: AirworthinessDirective, facts: KnownFacts, parts: DueParts): readonly Constraint[] {
  const { initial, component = null, effectiveOn, readingsThen, number, title } = ad;
  const unknown = (what: 'effective-date' | 'reading'): Constraint =>
    constraint({ ...parts, certainty: 'unknown', reason: { code: 'ad-unknown', number, title, what } });
  // Before further flight, from the day on which it takes effect; one whose day nobody knows has taken effect.
  if (isEmptyInterval(initial) && component === null)
    return [
      constraint({
        ...parts,
        certainty: 'failed',
        reason: { code: 'ad-before-flight', number, title },
        ...(effectiveOn === null ? {} : { begins: from(startOfDay(effectiveOn, facts.place.zone)) }),
      }),
    ];
  if (effectiveOn === null) return [unknown('effective-date')];
  const meters = initial.meters.map(({ meter, every }) => {
    const then = readingsThen.find((reading) => reading.meter === meter);
    return { meter, at: then === undefined ? null : then.value + every };
  });
  const part =
    component === null
      ? []
      : [
          {
            meter: component.meter,
            at:
              component.readingThen === null || component.hoursThen === null
                ? null
                : component.readingThen + component.limit - component.hoursThen,
          },
        ];
  const lastDay = lastDayOf(initial, effectiveOn);
  // A part may have its hours before the AD takes effect, and then it binds nobody yet.
  const effect = startOfDay(effectiveOn, facts.place.zone);
  const fromEffect = (limits: readonly Constraint[]) =>
    limits.map((one) =>
      one.begins.kind === 'meter' && one.notBefore === null ? { ...one, notBefore: effect } : one,
    );
  if (initial.whichever === 'later')
    return fromEffect(limitsOf(ad, facts, { lastDay, meters: [...part, ...meters] }, 'later', true, parts));
  // Both may count on one meter: the part's limit has a key of its own.
  const ofPart = limitsOf(ad, facts, { lastDay: null, meters: part }, 'first', true, {
    ...parts,
    key: `${parts.key}.part`,
  });
  return [...limitsOf(ad, facts, { lastDay, meters }, 'first', true, parts), ...fromEffect(ofPart)];
}

/** The limits of an AD as constraints: each of them, or the later of them all. */
function limitsOf(
  { number, title }: AirworthinessDirective,
  facts: KnownFacts,
  due: DueLimits,
  whichever: 'first' | 'later',
  first: boolean,
  parts: DueParts,
): readonly Constraint[] {
  const after = (lastDay: CivilDate) => ({
    code: 'ad-expires' as const,
    number,
    title,
    lastDay,
    first,
    ...(whichever === 'later' ? { whichever } : {}),
  });
  const at = (meter: Meter, dueAt: number, notBefore: CivilDate | null = null) => ({
    code: 'ad-due' as const,
    number,
    title,
    meter,
    dueAt,
    first,
    ...(notBefore === null ? {} : { notBefore }),
  });
  const unknown = (meter: Meter): Constraint =>
    constraint({
      ...parts,
      key: first ? parts.key : `${parts.key}.${meter}`,
      certainty: 'unknown',
      reason: { code: 'ad-unknown', number, title, what: 'reading' },
    });
  if (whichever === 'later') {
    const later = closesAtLater(facts, due, { at, after }, parts);
    return [later ?? unknown('time-in-service')];
  }
  return [
    ...(due.lastDay === null ? [] : [closesAfter(due.lastDay, facts.place.zone, after(due.lastDay), parts)]),
    ...due.meters.map(({ meter, at: dueAt }) =>
      dueAt === null ? unknown(meter) : closesAt(facts, meter, dueAt, at(meter, dueAt), parts),
    ),
  ];
}

function judgeOne(ad: AirworthinessDirective, facts: KnownFacts, meters: Set<Meter>): readonly Constraint[] {
  const { id, methods, noFerry } = ad;
  const remedies: readonly Remedy[] = [remedy('comply-with-ad', MECHANICS, id)];
  const permitMayCover = noFerry === false;
  const done = complied(ad, facts);
  if (done.some(({ method }) => method.repeats === null)) return [];
  const last = done.at(-1);
  // Of several of one day, by different methods, each limit holds.
  const latest = done.filter(({ completedOn }) => completedOn === last?.completedOn);
  const parts: DueParts = {
    key: id,
    source,
    records: last === undefined ? [id] : [id, last.id],
    closes: ALL_USES,
    remedies,
    permitMayCover,
  };
  const count = (interval: Interval) => {
    for (const { meter } of interval.meters) meters.add(meter);
  };
  if (last === undefined || methods.length === 0) {
    count(ad.initial);
    if (ad.component != null) meters.add(ad.component.meter);
    return firstDue(ad, facts, parts);
  }
  return each(latest, (one) => {
    const { repeats } = one.method;
    if (repeats === null) return [];
    count(repeats);
    // Recurring counts from the last actual compliance: nothing is taken off.
    const due = nextDue([one], repeats, 0);
    const own: DueParts = { ...parts, records: [id, one.id] };
    return limitsOf(
      ad,
      facts,
      {
        lastDay: due.lastDay,
        meters: [...due.meters, ...due.unknownMeters.map((meter) => ({ meter, at: null }))],
      },
      repeats.whichever ?? 'first',
      false,
      own,
    );
  });
}

/** Airworthiness directives: first by their limit after taking effect, then again from each actual compliance, by the method used. */
export const adsComplied = rule({
  id: 'ads',
  title: 'Airworthiness directives (ADs)',
  source,
  explanation:
    'Each AD that applies must be complied with by its limit after it took effect, and recurring ones again and again from when it was last done; whichever limit comes first. Which ADs apply must be on record; one that nobody judged counts as applying. No service document outweighs an AD.',
  judge: (facts) => {
    if (facts.ads === null) {
      return result(
        [
          constraint({
            key: 'list',
            certainty: 'unknown',
            source,
            reason: { code: 'ads-unknown' },
            closes: ALL_USES,
            remedies: [remedy('record-ads', MECHANICS)],
          }),
        ],
        ['ads'],
      );
    }
    const missing: string[] = [];
    const meters = new Set<Meter>();
    const constraints: Constraint[] = [];
    for (const ad of facts.ads) {
      const { id, number, title, applies } = ad;
      if (applies === false) continue;
      if (applies === null) {
        missing.push(`ads.${id}.applies`);
        constraints.push(
          constraint({
            key: id,
            certainty: 'unknown',
            source,
            reason: { code: 'ad-unknown', number, title, what: 'applicability' },
            records: [id],
            closes: ALL_USES,
            remedies: [remedy('record-ads', RECORD_KEEPER, id)],
          }),
        );
        continue;
      }
      constraints.push(
        ...judgeOne(ad, facts, meters),
        ...unsignedWork(
          ad.done.filter(({ method }) => workOf(ad.methods, method) === 'return-to-service'),
          `AD ${number}`,
          'return-to-service',
          facts,
        ),
      );
    }
    const troubles = meterTroubles(facts, meters, source, ALL_USES);
    return result([...constraints, ...troubles.constraints], [...missing, ...troubles.missing]);
  },
});
