import type { Classification } from '../records/findings/discrepancy';
import { LIST_STEPS } from './lists/list-steps';
import type { ListStep } from './lists/list-step';
import { STEPS, type Step } from './steps';
import { measureOf, scopeOf, type StepMeasure, type StepScope } from './step-scope';
import { BODY_WORDS } from './words/body';
import { CABIN_WORDS } from './words/cabin';
import { FRONT_WORDS } from './words/front';
import { WING_WORDS } from './words/wing-and-fuel';

/** A step of the master list with its words, how often it comes and what it has somebody measure. */
export interface CatalogueStep extends Step {
  readonly title: string;
  readonly right: string;
  readonly why: string;
  readonly caution: string | null;
  readonly scope: StepScope;
  readonly measure: StepMeasure | null;
}

const WORDS = new Map(
  [...CABIN_WORDS, ...WING_WORDS, ...BODY_WORDS, ...FRONT_WORDS].map((words) => [words[0], words] as const),
);

/** Every step of the list, in its order. @throws Error for a step without words, which a test refuses before anybody sees it */
export const CATALOGUE: readonly CatalogueStep[] = STEPS.map((step) => {
  const words = WORDS.get(step.code);
  if (words === undefined) throw new Error(`step ${step.code} has no words`);
  const [, title, right, why, caution] = words;
  return {
    ...step,
    title,
    right,
    why,
    caution: caution === '' ? null : caution,
    scope: scopeOf(step.code, step.station),
    measure: measureOf(step.code),
  };
});

const BY_CODE = new Map(
  [...CATALOGUE, ...LIST_STEPS].map((step): [string, CatalogueStep | ListStep] => [step.code, step]),
);

/** The step of a code, of the master list or of a list beside it; or undefined. */
export const catalogueStep = (code: string): CatalogueStep | ListStep | undefined => BY_CODE.get(code);

/** Classifications under which a thing that nobody could see keeps uses unavailable; a step for the record alone does not. */
const MATTERS: readonly Classification[] = [
  'ground-until-mechanic',
  'service-before-flight',
  'tell-instructor',
  'deferral-path',
];

/** Whether what a step looks at decides about flying: then one that nobody saw is never a pass. */
export const matters = ({ firstAction }: Pick<Step, 'firstAction'>): boolean => MATTERS.includes(firstAction);
