import { REGULATION_POLICY, type ClubPolicyParameters } from '../core/rules/packs/club-policy';

type Words = { readonly [K in keyof ClubPolicyParameters]: (value: ClubPolicyParameters[K]) => string };

const SAFETY = (what: string, value: ClubPolicyParameters['fireExtinguisher']) =>
  `${value === 'no-passengers-without' ? 'flights with passengers' : 'every flight'} without a ${what} that is on record, in date and working`;

const CLOSES: Words = {
  hundredHourCovers: () => 'private rental and student solo past the 100-hour inspection',
  fuelSampling: (value) =>
    value === 'every-flight-and-after-fuelling'
      ? 'a flight before fuel was sampled for it'
      : 'the first flight of a day before fuel was sampled',
  lapsedTransponder: () => 'every flight with a lapsed transponder test',
  insurance: () => 'every flight without insurance on record',
  monoxideDetector: (value) => SAFETY('carbon-monoxide detector', value),
  fireExtinguisher: (value) => SAFETY('fire extinguisher', value),
  documentCheckDays: (days) => `every flight once a document was last seen more than ${days} days ago`,
  readingDays: (days) => `every flight once the meters were last read more than ${days} days ago`,
  reserveDay: (minutes) => `a flight by day with less than ${minutes} minutes of fuel in reserve`,
  reserveNight: (minutes) => `a flight by night with less than ${minutes} minutes of fuel in reserve`,
  reserveIfr: (minutes) => `a flight by instruments with less than ${minutes} minutes of fuel in reserve`,
  oilUseLimit: (thousandths) =>
    `every flight once the engine uses more than ${(thousandths / 1000).toFixed(2)} US qt of oil an hour, until a mechanic has looked`,
};

/** What one of a club's choices closes beyond the regulation; null where it is the regulation's own. */
export function policyEffect(policy: ClubPolicyParameters, name: keyof ClubPolicyParameters): string | null {
  return policy[name] === REGULATION_POLICY[name]
    ? null
    : (CLOSES[name] as (value: unknown) => string)(policy[name]);
}

/** What a club's choices close beyond the regulation, one line each; none where they are the regulation's own. */
export function policyCloses(policy: ClubPolicyParameters): readonly string[] {
  const names = Object.keys(CLOSES) as readonly (keyof ClubPolicyParameters)[];
  return names.map((name) => policyEffect(policy, name)).filter((effect) => effect !== null);
}
