import type { ClubEntryInput } from '@/contracts/club/founding';
import { REGULATION_POLICY, USUAL_POLICY, clubPolicy } from '@/core/rules/packs/club-policy';
import type { ParameterSpec } from '@/core/rules/packs/pack';
import type { Lessons } from '@/core/rules/parts/for-hire';
import { ACT_ESTIMATES } from '@/core/decision/act-estimates';
import { ACTS, type Act } from '@/core/rules/parts/constraint';

/** What a form asks about a club: texts as they are typed. */
export interface ClubForm {
  readonly club: string;
  readonly field: string;
  readonly latitude: string;
  readonly longitude: string;
  readonly zone: string;
  readonly authority: 'us-part91' | 'au-maintenance-release';
  readonly trainingUnder: 'part-61' | 'part-141';
  readonly lessons: Lessons;
  readonly withPolicy: boolean;
  readonly policy: Readonly<Record<string, string>>;
  /** What each act takes, as typed. */
  readonly estimates: Readonly<Record<Act, { readonly minutes: string; readonly cost: string }>>;
}

export const POLICY: readonly (readonly [string, ParameterSpec])[] = Object.entries(clubPolicy.parameters);
export const degrees = (text: string): number => Number(text.replace(',', '.').replace('−', '-'));
export const textsOf = (policy: object): Record<string, string> =>
  Object.fromEntries(Object.entries(policy).map(([name, value]) => [name, String(value)]));

export const whole = (text: string): number =>
  text.trim() === '' ? Number.NaN : Number(text.replace(',', '.'));
const estimateTexts = (estimates: NonNullable<ClubEntryInput['estimates']>): ClubForm['estimates'] =>
  Object.fromEntries(
    ACTS.map((act) => {
      const own = estimates.find((one) => one.act === act);
      return [
        act,
        {
          minutes: String(own?.minutes ?? ACT_ESTIMATES[act].minutes),
          cost: String(own?.cost ?? ACT_ESTIMATES[act].cents / 100),
        },
      ];
    }),
  ) as unknown as ClubForm['estimates'];

/** A form for a club that is not there yet. Its rules begin as the regulation has them, so that no choice of the club grounds an aircraft on the first day; what careful clubs choose is a tap away, with what it closes. The zone is a guess: most people found a club from where it is. */
export const emptyClub = (): ClubForm => ({
  club: '',
  field: '',
  latitude: '',
  longitude: '',
  zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  authority: 'us-part91',
  trainingUnder: 'part-141',
  lessons: 'lessons-are-for-hire',
  withPolicy: true,
  policy: textsOf(REGULATION_POLICY),
  estimates: estimateTexts([]),
});

/** The form of a club as it is on record. */
export function formOf({
  name,
  field,
  latitude,
  longitude,
  zone,
  authority,
  policy,
  estimates,
}: ClubEntryInput): ClubForm {
  return {
    club: name,
    field,
    latitude: String(latitude),
    longitude: String(longitude),
    zone,
    authority: authority.id,
    trainingUnder: authority.id === 'us-part91' ? authority.parameters.trainingUnder : 'part-141',
    lessons: authority.id === 'us-part91' ? authority.parameters.lessons : 'lessons-are-for-hire',
    withPolicy: policy !== null,
    policy: { ...textsOf(USUAL_POLICY), ...textsOf(policy ?? {}) },
    estimates: estimateTexts(estimates ?? []),
  };
}

/** What a form says, for the server to check. */
export function clubOf(form: ClubForm): ClubEntryInput {
  return {
    name: form.club,
    field: form.field,
    latitude: degrees(form.latitude),
    longitude: degrees(form.longitude),
    zone: form.zone,
    authority:
      form.authority === 'us-part91'
        ? { id: form.authority, parameters: { trainingUnder: form.trainingUnder, lessons: form.lessons } }
        : { id: form.authority },
    policy: form.withPolicy
      ? Object.fromEntries(
          POLICY.map(([name, spec]) => [
            name,
            spec.kind === 'word' ? form.policy[name] : Number(form.policy[name]),
          ]),
        )
      : null,
    // What is usual stays what is usual, also where it changes with the program.
    estimates: ACTS.flatMap((act) => {
      const minutes = whole(form.estimates[act].minutes);
      const cost = whole(form.estimates[act].cost);
      return minutes === ACT_ESTIMATES[act].minutes && cost === ACT_ESTIMATES[act].cents / 100
        ? []
        : [{ act, minutes, cost }];
    }),
  };
}

const PLACES: Readonly<Record<string, keyof ClubForm>> = {
  'club.name': 'club',
  'club.field': 'field',
  'club.latitude': 'latitude',
  'club.longitude': 'longitude',
  'club.zone': 'zone',
};

/** Where a refused value stands in the form; null where it does not. */
export const placeInForm = (path: string): 'club' | 'policy' | null =>
  (PLACES[path]
    ?? (path.startsWith('club.policy.') ? `policy.${path.slice('club.policy.'.length)}` : null)) as
    'club' | 'policy' | null;
