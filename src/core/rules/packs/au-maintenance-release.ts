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
import { tightenings } from '../tightenings';
import { bind, type BoundRule } from './pack';

/** Rules of the Australian maintenance-release system. From memory, and less certain than the American ones: strict where unsure. */
export const auMaintenanceRelease = {
  id: 'au-maintenance-release',
  version: '1',
  title: 'Australian maintenance release',
  authority: true,
  parameters: {},
  rules: (): readonly BoundRule[] => [
    bind(documentsAboard, { papersOf: 'au' }), bind(registrationIsValid, { runsOut: false }), bind(maintenanceRelease, undefined), bind(dailyInspection, undefined), bind(independentInspection, undefined),
    bind(directivesComplied, undefined), bind(maintenanceItems, undefined), bind(inoperativeEquipment, undefined), bind(maintenanceEntries, undefined), bind(openDiscrepancies, undefined),
    bind(measuredLimits, undefined), bind(fuelForFlight, { authority: 'au' }), bind(fuelQuality, undefined), bind(gaugeAndDip, undefined), bind(tightenings, undefined), bind(openFlights, undefined), bind(recordsInOrder, undefined), bind(approvedUses, undefined),
  ],
} as const;
