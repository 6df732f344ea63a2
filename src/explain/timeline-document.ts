import type { DecidedConstraint } from '../core/decision/decision';
import type { DecisionDiff } from '../core/decision/diff';
import type { Timeline } from '../core/decision/timeline';
import { boxesOf } from '../core/envelope/use-set';
import { METER_NAMES } from '../core/records/meters/meters';
import { instantText } from '../core/time/instant';
import type { ZoneId } from '../core/time/zone';
import { constraintDocument, meterName, meterNumber, exceedanceDocument } from './decision-document';
import { meterText, momentText } from './formats';
import { limitName } from './limits';
import { tellReasons } from './constraint';
import { tellDecided } from './reasons';

/** A timeline as the published JSON document. @param constraints every constraint of the preparation, for their words */
export function timelineDocument(
  timeline: Timeline,
  registration: string,
  constraints: readonly DecidedConstraint[],
  zone: ZoneId,
) {
  const byId = new Map(constraints.map((one) => [one.id, one]));
  /** The headlines of some constraints, each reason once. */
  const headlines = (ids: readonly string[]) =>
    tellReasons(ids.flatMap((id) => byId.get(id) ?? [])).map(({ headline }) => headline);
  const told = (id: string, where: 'in-force' | 'ahead') => {
    const one = byId.get(id);
    return { id, headline: one === undefined ? '' : tellDecided(one, where).headline };
  };
  return {
    format: 'groval-timeline' as const,
    version: 2 as const,
    registration,
    from: instantText(timeline.from),
    until: instantText(timeline.until),
    changes: timeline.changes.map(({ at, verdict, open, began, ended, flight }) => ({
      at: instantText(at),
      verdict,
      open: boxesOf(open),
      began: began.map((id) => told(id, 'in-force')),
      ended: ended.map((id) => told(id, 'ahead')),
      flight,
      // Two rules may say the same of one limit: it is told once.
      words: `${momentText(at, zone)}${flight === null ? '' : `, after flight ${flight}`}: ${verdict}. ${[
        ...new Set([
          ...headlines(began),
          ...ended.map((id) => {
            const one = byId.get(id);
            return one === undefined ? '' : `Over: ${limitName(one)}.`;
          }),
        ]),
      ].join(' ')}`.trim(),
    })),
    flights: timeline.flights.map(({ flight, starts, exceedances, closedBy, notApproved }) => ({
      flight,
      starts: instantText(starts),
      notApproved,
      closedBy: closedBy.map((id) => told(id, 'in-force')),
      exceedances: exceedances.map((exceedance) => exceedanceDocument(exceedance, zone)),
    })),
    meters: Object.fromEntries(
      METER_NAMES.map((meter) => {
        const value = timeline.meters[meter];
        return [meter, value === null ? null : meterNumber(meter, value)];
      }),
    ),
  };
}

/** A diff as the published JSON document. */
export function diffDocument(diff: DecisionDiff) {
  const limitAt = (limit: DecisionDiff['limits'][number]['before']) =>
    limit === null
      ? null
      : limit.currency === 'time'
        ? instantText(limit.at)
        : meterNumber(limit.meter, limit.at);
  return {
    format: 'groval-diff' as const,
    version: 2 as const,
    same: diff.same,
    registration: diff.registration,
    verdict: diff.verdict,
    opened: boxesOf(diff.opened),
    closed: boxesOf(diff.closed),
    began: diff.began.map((one) => constraintDocument(one, 'in-force')),
    ended: diff.ended.map((one) => constraintDocument(one, 'in-force')),
    altered: diff.altered.map(({ before, after }) => ({
      before: constraintDocument(before, 'in-force'),
      after: constraintDocument(after, 'in-force'),
    })),
    limits: diff.limits.map(({ id, before, after }) => ({
      id,
      before: limitAt(before),
      after: limitAt(after),
    })),
    meters: diff.meters.map(({ meter, before, after }) => ({
      meter,
      before: before === null ? null : meterNumber(meter, before),
      after: after === null ? null : meterNumber(meter, after),
    })),
    otherRules: diff.otherRules,
    words: tellDiff(diff),
  };
}

/** What changed, in sentences, in a stable order. */
export function tellDiff(diff: DecisionDiff): readonly string[] {
  if (diff.same) return ['Nothing changed.'];
  const { before, after } = diff.verdict;
  return [
    ...(diff.registration.before === diff.registration.after
      ? []
      : [`These are two aircraft: ${diff.registration.before} and ${diff.registration.after}.`]),
    before === after ? `Still ${after}.` : `${before} before, ${after} now.`,
    ...(diff.otherRules ? ['Engine or rule packs differ: not every change comes from the records.'] : []),
    ...diff.began.map((one) => `New: ${tellDecided(one, 'in-force').headline}`),
    ...diff.ended.map((one) => `Gone: ${tellDecided(one, 'in-force').headline}`),
    ...diff.altered.map(
      (one) =>
        `Changed: ${tellDecided(one.before, 'in-force').headline} Now: ${tellDecided(one.after, 'in-force').headline}`,
    ),
    ...diff.limits.map(({ id, before: was, after: is }) => {
      const limit = is ?? was;
      const name = limit === null ? id : limitName(limit.constraint);
      return was === null
        ? `New limit ahead: ${name}.`
        : is === null
          ? `No longer ahead: ${name}.`
          : `Moved: ${name}.`;
    }),
    ...diff.meters.map(
      ({ meter, before: was, after: is }) =>
        `The ${meterName(meter)} was ${was === null ? 'not known' : meterText(meter, was)} and is ${is === null ? 'not known' : meterText(meter, is)}.`,
    ),
  ];
}
