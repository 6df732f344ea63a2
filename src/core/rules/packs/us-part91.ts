import { altimeterStatic } from '../altimeter-static';
import { annualInspection } from '../annual-inspection';
import { approvedUses } from '../approved-uses';
import { categoryLimits } from '../category-limits';
import { conditionInspection } from '../condition-inspection';
import { adsComplied } from '../ads';
import { documentsAboard } from '../documents-aboard';
import { eltRule } from '../elt';
import { fuelForFlight } from '../fuel-for-flight';
import { fuelQuality } from '../fuel-quality';
import { gaugeAndDip } from '../gauge-and-dip';
import { gliderRigging } from '../glider-rigging';
import { walkRound } from '../walk-round';
import { hundredHourInspection, TRAINING_UNDER } from '../hundred-hour-inspection';
import { inoperativeEquipment } from '../inoperative-equipment';
import { maintenanceEntries } from '../maintenance-entries';
import { maintenanceItems } from '../maintenance-items';
import { measuredLimits } from '../measured-limits';
import { openDiscrepancies } from '../open-discrepancies';
import { openFlights } from '../open-flights';
import { progressiveProgramme } from '../progressive-programme';
import { vorCheck } from '../vor-check';
import { recordsInOrder } from '../records-in-order';
import { registrationIsValid } from '../registration-validity';
import { requiredEquipment } from '../required-equipment';
import { dispatchRestrictions } from '../dispatch-restrictions';
import { towRope } from '../tow-rope';
import { transponderTest } from '../transponder-test';
import { LESSONS, type Lessons } from '../parts/for-hire';
import { navigationWorks } from '../navigation-works';
import { refusedInspections } from '../refused-inspections';
import { bind, type BoundRule, type ParameterSpec } from './pack';

/** What an operator under part 91 states about itself. */
export interface UsPart91Parameters {
  readonly trainingUnder: (typeof TRAINING_UNDER)[number];
  readonly lessons: Lessons;
}

/** Rules of 14 CFR parts 39, 43, 47 and 91. The texts were cited from memory: consult the text in force. */
export const usPart91 = {
  id: 'us-part91',
  version: '8',
  title: 'US part 91',
  authority: true,
  parameters: {
    trainingUnder: {
      kind: 'word',
      title: 'Under which part the school trains',
      values: TRAINING_UNDER,
      strictest: 'part-141',
      about:
        'Under part 141 the aircraft of a course is maintained as for hire, so that solo flights of the course need the 100-hour inspection too; under part 61 they do not.',
    },
    lessons: {
      kind: 'word',
      title: 'Whether a lesson is a flight for hire',
      values: LESSONS,
      strictest: 'lessons-are-for-hire',
      about:
        'The lists ask for a landing light by night and for flotation beyond gliding distance of the shore where an aircraft is operated for hire. The texts do not say in one word whether a lesson in the school’s own aircraft is that; a school that was told by its authority that it is not may choose so.',
    },
  } satisfies Record<keyof UsPart91Parameters, ParameterSpec>,
  rules: ({ trainingUnder, lessons }: UsPart91Parameters): readonly BoundRule[] => [
    bind(documentsAboard, { documentsOf: 'us' }),
    bind(registrationIsValid, { runsOut: true }),
    bind(annualInspection, undefined),
    bind(conditionInspection, undefined),
    bind(refusedInspections, undefined),
    bind(progressiveProgramme, undefined),
    bind(hundredHourInspection, { trainingUnder }),
    bind(categoryLimits, undefined),
    bind(adsComplied, undefined),
    bind(maintenanceItems, undefined),
    bind(eltRule, undefined),
    bind(altimeterStatic, undefined),
    bind(transponderTest, undefined),
    bind(vorCheck, undefined),
    bind(requiredEquipment, { lessons }),
    bind(navigationWorks, undefined),
    bind(inoperativeEquipment, { lessons }),
    bind(maintenanceEntries, undefined),
    bind(openDiscrepancies, undefined),
    bind(measuredLimits, undefined),
    bind(fuelForFlight, { authority: 'us' }),
    bind(fuelQuality, undefined),
    bind(gaugeAndDip, undefined),
    bind(walkRound, undefined),
    bind(dispatchRestrictions, undefined),
    bind(towRope, undefined),
    bind(gliderRigging, undefined),
    bind(openFlights, undefined),
    bind(recordsInOrder, undefined),
    bind(approvedUses, undefined),
  ],
} as const;

/** What an operator states, from values that were read somewhere: what is missing or no word of ours takes the strictest. */
export function usStatements(given: Readonly<Record<string, unknown>>): UsPart91Parameters {
  return {
    trainingUnder: TRAINING_UNDER.find((word) => word === given['trainingUnder']) ?? 'part-141',
    lessons: LESSONS.find((word) => word === given['lessons']) ?? 'lessons-are-for-hire',
  };
}
