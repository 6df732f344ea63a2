import { clubHundredHour, HUNDRED_HOUR_COVERS } from '../club-hundred-hour';
import { bind, type ParameterSpec } from './pack';

/** What a club may choose. Every choice is at least as strict as the authority's pack that it is used with. */
export interface ClubPolicyParameters {
  readonly hundredHourCovers: (typeof HUNDRED_HOUR_COVERS)[number];
}

/** A club's own rules, on top of an authority's. They only tighten. */
export const clubPolicy = {
  id: 'club-policy',
  version: '1',
  title: 'Club policy',
  authority: false,
  parameters: {
    hundredHourCovers: { title: 'Which uses the 100-hour limit closes', values: HUNDRED_HOUR_COVERS, strictest: 'rental-and-solo-too' },
  } satisfies { [K in keyof ClubPolicyParameters]: ParameterSpec<ClubPolicyParameters[K]> },
  rules: (parameters: ClubPolicyParameters) => [bind(clubHundredHour, parameters)],
} as const;
