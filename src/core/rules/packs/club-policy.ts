import { RESERVE_MINUTES } from '../../fuel/fuel-needed';
import { clubFuelReserve } from '../club-fuel-reserve';
import { clubHundredHour, HUNDRED_HOUR_COVERS } from '../club-hundred-hour';
import { clubDocuments, INSURANCE } from '../club-documents';
import { fuelSamples, FUEL_SAMPLING } from '../fuel-samples';
import { navigationDatabase } from '../navigation-database';
import { oilTrend } from '../oil-trend';
import { safetyEquipment, SAFETY_EQUIPMENT } from '../safety-equipment';
import { staleRecords } from '../stale-records';
import { lapsedTransponder } from '../lapsed-transponder';
import { LAPSED_TRANSPONDER } from '../parts/transponder';
import { bind, parameterFault, type BoundRule, type ParameterSpec } from './pack';

/** What a club may choose. Every choice is at least as strict as the authority's pack that it is used with. */
export interface ClubPolicyParameters {
  readonly hundredHourCovers: (typeof HUNDRED_HOUR_COVERS)[number];
  readonly fuelSampling: (typeof FUEL_SAMPLING)[number];
  readonly lapsedTransponder: (typeof LAPSED_TRANSPONDER)[number];
  readonly insurance: (typeof INSURANCE)[number];
  readonly monoxideDetector: (typeof SAFETY_EQUIPMENT)[number];
  readonly fireExtinguisher: (typeof SAFETY_EQUIPMENT)[number];
  readonly documentCheckDays: number;
  readonly readingDays: number;
  readonly reserveDay: number;
  readonly reserveNight: number;
  readonly reserveIfr: number;
  readonly oilUseLimit: number;
}

/** A club's own rules, on top of an authority's. They only restrict. */
export const clubPolicy = {
  id: 'club-policy',
  version: '3',
  title: 'Club policy',
  authority: false,
  parameters: {
    hundredHourCovers: {
      kind: 'word',
      title: 'Which uses the 100-hour limit closes',
      values: HUNDRED_HOUR_COVERS,
      strictest: 'rental-and-solo-too',
      about:
        'The regulation asks for it only for hire and for lessons in the school’s aircraft; many schools let it close plain rental and student solo too.',
    },
    fuelSampling: {
      kind: 'word',
      title: 'When fuel is sampled',
      values: FUEL_SAMPLING,
      strictest: 'every-flight-and-after-fuelling',
      about:
        'Schools differ: only after fuelling, before the first flight of the day and after fuelling, or before every flight and after fuelling. A sample after fuelling is not a choice.',
    },
    lapsedTransponder: {
      kind: 'word',
      title: 'How a lapsed transponder test restricts',
      values: LAPSED_TRANSPONDER,
      strictest: 'aircraft-closed',
      about:
        'The regulation forbids using it: off, with the airspace that needs it closed. 91.215(c) speaks only of transponders that are maintained under 91.413. Some clubs keep the aircraft on the ground until it is tested.',
    },
    insurance: {
      kind: 'word',
      title: 'Whether insurance must be on record',
      values: INSURANCE,
      strictest: 'required',
      about: 'No aviation regulation of the packs asks for it; most clubs do.',
    },
    monoxideDetector: {
      kind: 'word',
      title: 'Carbon-monoxide detector',
      values: SAFETY_EQUIPMENT,
      strictest: 'no-flight-without',
      about: 'Common practice accepts an aircraft without one, wishes for one, or asks for it.',
    },
    fireExtinguisher: {
      kind: 'word',
      title: 'Fire extinguisher',
      values: SAFETY_EQUIPMENT,
      strictest: 'no-flight-without',
      about:
        'Schools keep an aircraft without a charged extinguisher from carrying passengers, or from flying.',
    },
    documentCheckDays: {
      kind: 'number',
      title: 'How old a document check may be',
      about: 'Common practice, no source.',
      unit: 'days',
      stricter: 'lower',
      loosest: 3660,
      limit: 1,
      usual: 90,
    },
    readingDays: {
      kind: 'number',
      title: 'How old the last meter reading may be',
      about: 'Common practice, no source.',
      unit: 'days',
      stricter: 'lower',
      loosest: 3660,
      limit: 1,
      usual: 60,
    },
    reserveDay: {
      kind: 'number',
      title: 'Fuel reserve by day',
      about: 'The regulation asks for 30 minutes.',
      unit: 'minutes',
      stricter: 'higher',
      loosest: RESERVE_MINUTES.day,
      limit: 240,
      usual: RESERVE_MINUTES.day,
    },
    reserveNight: {
      kind: 'number',
      title: 'Fuel reserve by night',
      about: 'The regulation asks for 45 minutes.',
      unit: 'minutes',
      stricter: 'higher',
      loosest: RESERVE_MINUTES.night,
      limit: 240,
      usual: RESERVE_MINUTES.night,
    },
    reserveIfr: {
      kind: 'number',
      title: 'Fuel reserve by instruments',
      about: 'The regulation asks for 45 minutes.',
      unit: 'minutes',
      stricter: 'higher',
      loosest: RESERVE_MINUTES.ifr,
      limit: 240,
      usual: RESERVE_MINUTES.ifr,
    },
    oilUseLimit: {
      kind: 'number',
      title: 'Oil use at which a mechanic looks',
      about: 'Common practice, no source; the maker’s own limit may be lower.',
      unit: 'thousandths of a US quart an hour',
      stricter: 'lower',
      loosest: 1000,
      limit: 10,
      usual: 500,
    },
  } satisfies Record<keyof ClubPolicyParameters, ParameterSpec>,
  rules: (parameters: ClubPolicyParameters): readonly BoundRule[] => [
    bind(clubHundredHour, parameters),
    bind(lapsedTransponder, parameters),
    bind(navigationDatabase, undefined),
    bind(staleRecords, parameters),
    bind(clubDocuments, parameters),
    bind(safetyEquipment, parameters),
    bind(clubFuelReserve, parameters),
    bind(fuelSamples, parameters),
    bind(oilTrend, parameters),
  ],
} as const;

/**
 * A club's choices from values that were read somewhere: what is missing takes its strictest word or its usual number.
 * Answers the name and the fault of the first value that is refused.
 */
export function policyFrom(
  values: Readonly<Record<string, unknown>>,
): ClubPolicyParameters | { readonly parameter: string; readonly fault: string } {
  const specs: Readonly<Record<string, ParameterSpec>> = clubPolicy.parameters;
  for (const [parameter, value] of Object.entries(values)) {
    const spec = specs[parameter];
    if (value === undefined) continue;
    const fault = spec === undefined ? 'is no parameter of this pack' : parameterFault(spec, value);
    if (fault !== null) return { parameter, fault };
  }
  // Each value was checked against its own specification, which TypeScript cannot follow through the table.
  return {
    ...USUAL_POLICY,
    ...(Object.fromEntries(
      Object.entries(values).filter(([, value]) => value !== undefined),
    ) as Partial<ClubPolicyParameters>),
  };
}

/** The pack with nothing chosen: the strictest words, the usual numbers. */
export const USUAL_POLICY: ClubPolicyParameters = {
  hundredHourCovers: 'rental-and-solo-too',
  fuelSampling: 'every-flight-and-after-fuelling',
  lapsedTransponder: 'aircraft-closed',
  insurance: 'required',
  monoxideDetector: 'no-flight-without',
  fireExtinguisher: 'no-flight-without',
  documentCheckDays: 90,
  readingDays: 60,
  reserveDay: RESERVE_MINUTES.day,
  reserveNight: RESERVE_MINUTES.night,
  reserveIfr: RESERVE_MINUTES.ifr,
  oilUseLimit: 500,
};

/** The pack with the loosest of everything: it closes nothing that the authority's pack leaves open. */
export const REGULATION_POLICY: ClubPolicyParameters = Object.fromEntries(
  Object.entries(clubPolicy.parameters).map(([name, spec]) => [
    name,
    spec.kind === 'word' ? spec.values[0] : spec.loosest,
  ]),
) as unknown as ClubPolicyParameters;
