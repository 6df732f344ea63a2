import { approvedUses } from '../approved-uses';
import { dailyInspection } from '../daily-inspection';
import { adsComplied } from '../ads';
import { documentsAboard } from '../documents-aboard';
import { fuelForFlight } from '../fuel-for-flight';
import { fuelQuality } from '../fuel-quality';
import { gaugeAndDip } from '../gauge-and-dip';
import { gliderRigging } from '../glider-rigging';
import { walkRound } from '../walk-round';
import { independentInspection } from '../independent-inspection';
import { inoperativeEquipment } from '../inoperative-equipment';
import { maintenanceEntries } from '../maintenance-entries';
import { maintenanceItems } from '../maintenance-items';
import { maintenanceRelease } from '../maintenance-release';
import { measuredLimits } from '../measured-limits';
import { openDiscrepancies } from '../open-discrepancies';
import { openFlights } from '../open-flights';
import { recordsInOrder } from '../records-in-order';
import { registrationIsValid } from '../registration-validity';
import { refusedInspections } from '../refused-inspections';
import { dispatchRestrictions } from '../dispatch-restrictions';
import { altimeterStatic } from '../altimeter-static';
import { approvedList } from '../approved-list';
import { eltRule } from '../elt';
import { navigationWorks } from '../navigation-works';
import { requiredEquipment } from '../required-equipment';
import { transponderTest } from '../transponder-test';
import { inAustralia } from '../parts/in-australia';
import { bind, type BoundRule } from './pack';

/** Whether a lesson is for hire is not asked here: the strict reading. */
const STRICT = { lessons: 'lessons-are-for-hire' } as const;

/** Rules of the Australian maintenance-release system. From memory, and less certain than the American ones: strict where unsure. */
export const auMaintenanceRelease = {
  id: 'au-maintenance-release',
  version: '8',
  title: 'Australian maintenance release',
  authority: true,
  parameters: {},
  rules: (): readonly BoundRule[] => [
    inAustralia(bind(documentsAboard, { documentsOf: 'au' }), 'CASR 91.105, 91.110 and Part 47'),
    inAustralia(bind(registrationIsValid, { runsOut: false }), 'CASR Part 47'),
    bind(maintenanceRelease, undefined),
    inAustralia(bind(refusedInspections, undefined), 'CAR 1988 regs 42A and 47'),
    bind(dailyInspection, undefined),
    bind(independentInspection, undefined),
    inAustralia(bind(adsComplied, undefined), 'CASR Part 39'),
    inAustralia(bind(maintenanceItems, undefined), 'CAR 1988 regs 42A, 42B and 42M'),
    inAustralia(bind(inoperativeEquipment, STRICT), 'CAR 1988 regs 37 and 49'),
    inAustralia(bind(maintenanceEntries, undefined), 'CAR 1988 regs 43 and 48'),
    inAustralia(bind(openDiscrepancies, undefined), 'CAR 1988 regs 47 and 50'),
    inAustralia(bind(measuredLimits, undefined), null),
    inAustralia(bind(fuelForFlight, { authority: 'au' }), 'CASR Part 91 MOS ch. 19'),
    bind(fuelQuality, undefined),
    inAustralia(bind(gaugeAndDip, undefined), null),
    bind(walkRound, undefined),
    bind(dispatchRestrictions, undefined),
    bind(gliderRigging, undefined),
    bind(openFlights, undefined),
    bind(recordsInOrder, undefined),
    inAustralia(bind(approvedUses, undefined), 'CASR 91.095'),
    inAustralia(bind(requiredEquipment, STRICT), 'CASR Part 91 MOS ch. 26'),
    inAustralia(bind(approvedList, undefined), null),
    inAustralia(bind(navigationWorks, undefined), 'CASR Part 91 MOS ch. 14 and 26'),
    inAustralia(bind(eltRule, undefined), 'CASR Part 91 MOS ch. 26'),
    inAustralia(bind(altimeterStatic, undefined), 'CAO 100.5'),
    inAustralia(bind(transponderTest, undefined), 'CAO 100.5'),
  ],
} as const;
