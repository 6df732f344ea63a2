import { asksAtCheckOut, dialState, unanswered, type Entered } from '@/core/counter/desk';
import { readingOf } from '@/core/counter/slips';
import type { Dial } from '@/core/records/meters/dial';
import { knownAt, presentFor, type AircraftFacts } from '@/core/records/facts';
import { COUNTERS } from '@/core/records/meters/meters';
import { authorityOf } from '@/core/rules/register';
import { latestFlights } from '@/db/flights/flights';
import type { OtherRecord } from '@/db/aircraft/other-kinds';
import { shownText } from '@/explain/counter';
import type { Changing } from '../kernel/change-aircraft';
import type { Ports } from '../kernel/command';
import { askAgain, meterByMeter, metersRead, read, type Read } from './counter-readings';

/** What the panel shows while the aircraft stands: nothing is written yet. */
export interface PanelRead {
  readonly dials: Read['dials'];
  /** Readings to be written: of the dials, and of meters that no dial shows where hours turned up. */
  readonly written: Read['readings'];
  readonly wrapped: Read['wrapped'];
  /** Dials that show more than the record says. */
  readonly gaps: readonly {
    readonly dial: string;
    readonly shown: string;
    readonly last: number;
    readonly length: number;
  }[];
  readonly stretches: readonly Extract<OtherRecord, { readonly kind: 'unlogged' }>[];
  /** The records as they stand with these readings: hours that somebody flew and did not write down decide at once. */
  readonly facts: AircraftFacts;
}

/**
 * Compares what the panel shows with the record, while the aircraft stands: what is more becomes unlogged time, with which meters that
 * no dial shows go on. @throws Refused while something about the readings is asked and not answered
 */
export async function readPanel(
  ports: Ports,
  { tx, stored, club, recordedAt }: Changing,
  aircraftId: string,
  dials: readonly Dial[],
  entry: { readonly readings: readonly Entered[]; readonly accepted: readonly string[] },
  { flightId, seenBy }: { readonly flightId: string | null; readonly seenBy: string },
): Promise<PanelRead> {
  const known = knownAt(stored.facts, presentFor(stored.facts, recordedAt), authorityOf(club.packs));
  const states = dials.map((dial) => dialState(dial, known.accounted));
  const asks = asksAtCheckOut(states, entry.readings);
  const open = unanswered(asks, entry.accepted);
  if (open.length > 0) throw askAgain(open, states);
  const seen = read(ports.newId, states, entry.readings, asks, flightId, recordedAt, recordedAt);
  const shownMeters = metersRead(seen);
  // A meter that passed its highest figure and has run on since shows hours that nobody wrote down as well.
  const gaps = asks.flatMap((ask): PanelRead['gaps'] =>
    ask.kind === 'gap'
      ? [ask]
      : ask.kind === 'below' && ask.run !== null && ask.run > 0
        ? [{ ...ask, length: ask.run }]
        : [],
  );
  const others =
    gaps.length === 0
      ? []
      : meterByMeter(
          ports.newId,
          known.accounted,
          shownMeters,
          seen.ran,
          { landings: 0, towLaunches: 0, airborne: null },
          { flightId, happenedAt: recordedAt, recordedAt },
        );
  const [last] = await latestFlights(tx, aircraftId, 1);
  const unseen = COUNTERS.filter((meter) => !shownMeters.has(meter));
  const stretches = gaps.map((gap): PanelRead['stretches'][number] => {
    const dial = dials.find(({ id }) => id === gap.dial);
    const unit = dial?.unit ?? 'h';
    const id = ports.newId();
    return {
      id,
      kind: 'unlogged',
      happenedAt: recordedAt,
      recordedAt,
      body: {
        id,
        seenAt: recordedAt,
        dial: gap.dial,
        name: dial?.name ?? '',
        from: shownText(unit, gap.last),
        to: shownText(unit, readingOf(gap.shown, unit) ?? 0),
        length: shownText(unit, gap.length),
        seconds: unit === 'h' ? gap.length : null,
        unseen,
        lastFlight: last?.id ?? null,
        lastBy: last?.personName ?? null,
        seenBy,
      },
    };
  });
  const facts: AircraftFacts = {
    ...stored.facts,
    readings: [...stored.facts.readings, ...seen.readings, ...others],
    unlogged: [
      ...stored.facts.unlogged,
      ...stretches.map(({ id, body }) => ({
        id,
        happenedAt: recordedAt,
        recordedAt,
        seconds: body.seconds ?? null,
        unseen,
        said: null,
      })),
    ],
  };
  return {
    dials: seen.dials,
    written: [...seen.readings, ...others],
    wrapped: seen.wrapped,
    gaps,
    stretches,
    facts,
  };
}
