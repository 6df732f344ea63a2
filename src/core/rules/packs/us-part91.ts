import { altimeterStatic } from '../altimeter-static';
import { annualInspection } from '../annual-inspection';
import { approvedUses } from '../approved-uses';
import { categoryLimits } from '../category-limits';
import { conditionInspection } from '../condition-inspection';
import { directivesComplied } from '../directives';
import { documentsAboard } from '../documents-aboard';
import { emergencyLocator } from '../emergency-locator';
import { fuelForFlight } from '../fuel-for-flight';
import { fuelQuality } from '../fuel-quality';
import { gaugeAndDip } from '../gauge-and-dip';
import { hundredHourInspection, TRAINING_UNDER } from '../hundred-hour-inspection';
import { inoperativeEquipment } from '../inoperative-equipment';
import { maintenanceEntries } from '../maintenance-entries';
import { maintenanceItems } from '../maintenance-items';
import { measuredLimits } from '../measured-limits';
import { openDiscrepancies } from '../open-discrepancies';
import { openFlights } from '../open-flights';
import { progressiveProgramme } from '../progressive-programme';
import { receiverCheck } from '../receiver-check';
import { recordsInOrder } from '../records-in-order';
import { registrationIsValid } from '../registration-validity';
import { requiredEquipment } from '../required-equipment';
import { tightenings } from '../tightenings';
import { towRope } from '../tow-rope';
import { transponderTest } from '../transponder-test';
import { bind, type BoundRule, type ParameterSpec } from './pack';

/** What an operator under part 91 states about itself. */
export interface UsPart91Parameters {
  readonly trainingUnder: (typeof TRAINING_UNDER)[number];
}

/** Rules of 14 CFR parts 39, 43, 47 and 91. The texts were cited from memory: consult the text in force. */
export const usPart91 = {
  id: 'us-part91',
  version: '2',
  title: 'US part 91',
  authority: true,
  parameters: {
    trainingUnder: {
      kind: 'word', title: 'Under which part the school trains', values: TRAINING_UNDER, strictest: 'part-141',
      about: 'Under part 141 the aircraft of a course is maintained as for hire, so that solo flights of the course need the 100-hour inspection too; under part 61 they do not.',
    },
  } satisfies Record<keyof UsPart91Parameters, ParameterSpec>,
  rules: ({ trainingUnder }: UsPart91Parameters): readonly BoundRule[] => [
    bind(documentsAboard, { papersOf: 'us' }), bind(registrationIsValid, { runsOut: true }), bind(annualInspection, undefined), bind(conditionInspection, undefined), bind(progressiveProgramme, undefined),
    bind(hundredHourInspection, { trainingUnder }), bind(categoryLimits, undefined), bind(directivesComplied, undefined), bind(maintenanceItems, undefined), bind(emergencyLocator, undefined),
    bind(altimeterStatic, undefined), bind(transponderTest, undefined), bind(receiverCheck, undefined), bind(requiredEquipment, undefined), bind(inoperativeEquipment, undefined),
    bind(maintenanceEntries, undefined), bind(openDiscrepancies, undefined), bind(measuredLimits, undefined), bind(fuelForFlight, { authority: 'us' }), bind(fuelQuality, undefined), bind(gaugeAndDip, undefined), bind(tightenings, undefined), bind(towRope, undefined), bind(openFlights, undefined), bind(recordsInOrder, undefined), bind(approvedUses, undefined),
  ],
} as const;
