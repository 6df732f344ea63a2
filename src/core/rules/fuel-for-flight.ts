import { ALL_USES, type UseSet } from '../envelope/use-set';
import { aboard, RESERVE_MINUTES } from '../fuel/fuel-needed';
import type { Volume } from '../quantities/volume';
import { latestAll, type KnownFacts } from '../records/facts';
import type { PlannedFlight } from '../records/flights/planned-flight';
import { ANYBODY, constraint, DISPATCHER, remedy, type Constraint, type Source } from './parts/constraint';
import { flightFuel } from './parts/flight-fuel';
import { fuelAboard } from './parts/fuel-aboard';
import { NOT_ASKED, result, rule } from './parts/rule';

/** Whose reserves: both authorities ask for the same minutes. */
const SOURCES: Readonly<Record<'us' | 'au', { readonly visual: Source; readonly instruments: Source }>> = {
  us: {
    visual: { kind: 'regulation', citation: '14 CFR 91.151(a)' },
    instruments: { kind: 'regulation', citation: '14 CFR 91.167(a)' },
  },
  au: {
    visual: { kind: 'regulation', citation: 'CASR Part 91 MOS ch. 19' },
    instruments: { kind: 'regulation', citation: 'CASR Part 91 MOS ch. 19' },
  },
};

/** What cannot be, or may not be, whatever was dipped: more than the tanks hold, or less than the handbook's minimum. */
function plannedFuel(
  {
    aircraft: {
      particulars: { fuel },
    },
  }: KnownFacts,
  { fuelPlanned: planned }: PlannedFlight,
  needs: UseSet,
): readonly Constraint[] {
  if (fuel === null || planned === null) return [];
  const holds = aboard(fuel.tanks.map(({ usable }) => usable));
  const made = {
    certainty: 'failed',
    source: { kind: 'approved-documents' },
    closes: needs,
    remedies: [remedy('change-flight', DISPATCHER, 'fuel')],
    condition: true,
  } as const;
  return [
    ...(fuel.tanks.length > 0 && planned > holds
      ? [constraint({ ...made, key: 'planned-over', reason: { code: 'fuel-over-tanks', planned, holds } })]
      : []),
    ...(fuel.minimum !== null && planned < fuel.minimum
      ? [
          constraint({
            ...made,
            key: 'planned-under',
            reason: { code: 'fuel-below-minimum', aboard: planned, minimum: fuel.minimum },
          }),
        ]
      : []),
  ];
}

/** A dip of more than the tank holds is a slip of the pen, or of the stick: how much there is nobody knows. */
function dipsOverTanks(
  {
    aircraft: {
      particulars: { fuel },
    },
    ramp,
  }: KnownFacts,
  needs: UseSet,
): readonly Constraint[] {
  return (fuel?.tanks ?? []).flatMap(({ id: tank, usable: holds }): readonly Constraint[] => {
    const over = latestAll(
      (ramp?.measurements ?? []).filter(({ quantity, which }) => quantity === 'fuel-dip' && which === tank),
    ).find(({ value }) => value > holds);
    if (over === undefined) return [];
    const reason = { code: 'fuel-dip-over-tank', tank, dipped: over.value as Volume, holds } as const;
    return [
      constraint({
        key: `dip.${tank}`,
        certainty: 'unknown',
        source: { kind: 'approved-documents' },
        reason,
        records: [over.id],
        closes: needs,
        remedies: [remedy('measure', ANYBODY, `fuel-dip ${tank}`)],
        condition: true,
      }),
    ];
  });
}

/** Fuel for the flight, its alternate and its reserve, and never below the handbook's own minimum. */
export const fuelForFlight = rule({
  id: 'fuel-for-flight',
  title: 'Fuel for the flight',
  source: { kind: 'regulation', citation: '14 CFR 91.151 and 91.167' },
  explanation:
    'There must be fuel to the destination and, at normal cruise, 30 minutes more by day and 45 by night; by instruments to the alternate too, and 45 minutes. A flight takes the larger reserve of all the light that it touches. No flight begins below the handbook’s own minimum, and none on a dip of more than the tank holds.',
  judge: (facts) => {
    if (facts.ramp === null) return NOT_ASKED;
    const minimum = facts.aircraft.particulars.fuel?.minimum ?? null;
    const measured = fuelAboard(facts);
    if (minimum === null || measured === null || measured.volume >= minimum) return result([]);
    return result([
      constraint({
        key: 'minimum',
        certainty: 'failed',
        source: { kind: 'approved-documents' },
        reason: { code: 'fuel-below-minimum', aboard: measured.volume, minimum },
        records: measured.records,
        closes: ALL_USES,
        remedies: [remedy('add-fuel', ANYBODY)],
        condition: true,
      }),
    ]);
  },
  judgeFlight: (facts, { authority }: { readonly authority: 'us' | 'au' }, flight, needs) => [
    ...plannedFuel(facts, flight, needs),
    ...(fuelAboard(facts, flight.starts) === null ? [] : dipsOverTanks(facts, needs)),
    ...flightFuel(
      facts,
      RESERVE_MINUTES,
      flight.rules === 'vfr' ? SOURCES[authority].visual : SOURCES[authority].instruments,
      flight,
      needs,
    ),
  ],
});
