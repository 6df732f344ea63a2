import type { NewReading, NewStretch } from '@/core/metering/changes';
import type { Unanswered } from '@/core/metering/check-out';
import type { BelowOffset } from '@/core/metering/reading';
import type { Instant } from '@/core/time/instant';
import type { OtherRecord } from '@/db/aircraft/other-kinds';
import { shownText, tellQuestion } from '@/explain/meter-asks';
import { meterText } from '@/explain/formats';
import { METER_NAMES_IN_WORDS } from '@/explain/names';
import { Refused } from '../kernel/command';

/** Ends a command because readings have questions that nobody answered, or a meter would stand below zero. Nothing was written. */
export function refuseReadings(trouble: Unanswered | BelowOffset): Refused {
  if ('belowOffset' in trouble)
    return new Refused({
      code: 'invalid',
      message: `${trouble.belowOffset.name} shows less than its offset allows, so a meter would stand below zero. Correct the meter’s entry first.`,
      problems: [{ path: `readings.${trouble.belowOffset.id}`, message: 'is below its offset' }],
    });
  const all = trouble.dials.map(({ dial }) => dial);
  const problems = trouble.asks.map((ask) => {
    const dial = all.find(({ id }) => id === ask.dial);
    return {
      path: `readings.${ask.dial}`,
      message: dial === undefined ? 'This meter is not on record.' : tellQuestion(ask, dial, all).headline,
    };
  });
  return new Refused({
    code: 'invalid',
    message: `Nothing was recorded yet. ${problems.map(({ message }) => message).join(' ')}`,
    problems,
  });
}

/** A reading as it is shown: as somebody typed it, or the figure itself without its unit. */
export const withFigure = (reading: NewReading): NewReading & { readonly entered: string } => ({
  ...reading,
  entered: reading.entered ?? meterText(reading.meter, reading.value).replace(/ h$/, ''),
});

/** The flight before unlogged time was seen, and who saw it. */
export interface Around {
  readonly last: { readonly id: string; readonly personName: string } | undefined;
  readonly seenBy: string;
}

/** Unlogged time as a record, with its figures in words. @param words how it is told of where no meter by name shows it */
export function stretchRecord(
  stretch: NewStretch,
  recordedAt: Instant,
  { last, seenBy }: Around,
  words = '',
): Extract<OtherRecord, { readonly kind: 'unlogged' }> {
  const { of, id, seenAt, dial, seconds, unseen, readings } = stretch;
  const figure = (value: number) => ('meter' in of ? meterText(of.meter, value) : shownText(of.unit, value));
  const name = 'meter' in of ? METER_NAMES_IN_WORDS[of.meter] : of.name;
  return {
    id,
    kind: 'unlogged',
    happenedAt: seenAt,
    recordedAt,
    body: {
      id,
      seenAt,
      dial,
      name: words === '' ? name : `${name}, ${words}`,
      from: figure(stretch.from),
      to: figure(stretch.to),
      length: figure(stretch.length),
      seconds,
      unseen,
      ...(readings.length === 0 ? {} : { readings }),
      lastFlight: last?.id ?? null,
      lastBy: last?.personName ?? null,
      seenBy,
    },
  };
}
