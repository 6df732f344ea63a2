import { strictest, type Classification, type ClosedUse } from '../records/findings/discrepancy';
import type { EquipmentKind } from '../records/aircraft/equipment';
import { LIST_STEPS } from './lists/list-steps';
import { STEPS, type Step } from './steps';

/** How bad it looks to the person who found it. It can make the classification stricter, never softer. */
export const LOOKS = ['would-not-fly', 'not-right', 'looks-small', 'cannot-tell'] as const;
export type Looks = (typeof LOOKS)[number];

const AT_LEAST: Readonly<Record<Looks, Classification>> = {
  'would-not-fly': 'ground-until-mechanic',
  'not-right': 'note',
  'looks-small': 'note',
  'cannot-tell': 'tell-instructor',
};

/** The step with a code, or undefined. */
export function stepOf(code: string): Step | undefined {
  return STEPS.find((step) => step.code === code) ?? LIST_STEPS.find((step) => step.code === code);
}

/** The instruments and equipment that a step looks at; none where it looks at structure, engine, controls or preparation. */
export function equipmentAt({ looksAt }: Step): readonly EquipmentKind[] {
  return typeof looksAt === 'string' ? [] : looksAt;
}

/**
 * First classification of a finding, on the safe side. Common practice, no source.
 * What fits no step of the list grounds the aircraft until a mechanic has looked; so does anything at a step other than
 * what the list says is usually wrong there: a pitot heater that stays cold closes instrument flight, one that smokes is
 * another matter.
 * @param asListed the finding is just what the step's list names
 */
export function classifyFinding(
  step: Step | null,
  asListed: boolean,
  looks: Looks,
): {
  readonly classification: Classification;
  readonly closesUses: readonly ClosedUse[];
  readonly equipment: readonly EquipmentKind[];
} {
  const listed = asListed ? step : null;
  const classification = strictest(listed === null ? null : listed.firstAction, AT_LEAST[looks]);
  return {
    classification,
    closesUses: classification === 'deferral-path' && listed !== null ? listed.closesUses : [],
    equipment: step === null ? [] : equipmentAt(step),
  };
}

/** The steps of a station that this aircraft has. Features that are not on record hide nothing. */
export function stepsAt(station: string, features: readonly string[] | null): readonly Step[] {
  return STEPS.filter(
    (step) =>
      step.station === station
      && (features === null
        || step.appliesTo.includes('all')
        || step.appliesTo.some((tag) => features.includes(tag))),
  );
}
