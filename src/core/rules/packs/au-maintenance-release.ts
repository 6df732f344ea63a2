import { approvedUses } from '../approved-uses';
import { dailyInspection } from '../daily-inspection';
import { directivesComplied } from '../directives';
import { documentsAboard } from '../documents-aboard';
import { fuelForFlight } from '../fuel-for-flight';
import { fuelQuality } from '../fuel-quality';
import { gaugeAndDip } from '../gauge-and-dip';
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
import { tightenings } from '../tightenings';
import { inAustralia } from '../parts/in-australia';
import { bind, type BoundRule } from './pack';

/** Rules of the Australian maintenance-release system. From memory, and less certain than the American ones: strict where unsure. */
export const auMaintenanceRelease = {
  id: 'au-maintenance-release',
  version: '3',
  title: 'Australian maintenance release',
  authority: true,
  parameters: {},
  rules: (): readonly BoundRule[] => [
    inAustralia(bind(documentsAboard, { papersOf: 'au' }), 'CAR 1988 reg 139 and CASR Part 47'), inAustralia(bind(registrationIsValid, { runsOut: false }), 'CASR Part 47'),
    bind(maintenanceRelease, undefined), inAustralia(bind(refusedInspections, undefined), 'CAR 1988 regs 42A and 47'), bind(dailyInspection, undefined), bind(independentInspection, undefined),
    inAustralia(bind(directivesComplied, undefined), 'CASR Part 39'), inAustralia(bind(maintenanceItems, undefined), 'CAR 1988 regs 42A, 42B and 42M'), inAustralia(bind(inoperativeEquipment, { lessons: 'lessons-are-for-hire' }), 'CAR 1988 regs 37 and 49'),
    inAustralia(bind(maintenanceEntries, undefined), 'CAR 1988 regs 43 and 48'), inAustralia(bind(openDiscrepancies, undefined), 'CAR 1988 regs 47 and 50'),
    inAustralia(bind(measuredLimits, undefined), null), inAustralia(bind(fuelForFlight, { authority: 'au' }), 'CASR Part 91 MOS ch. 19'), bind(fuelQuality, undefined), inAustralia(bind(gaugeAndDip, undefined), null), bind(tightenings, undefined), bind(openFlights, undefined), bind(recordsInOrder, undefined),
    inAustralia(bind(approvedUses, undefined), 'CAR 1988 reg 138'),
  ],
} as const;
