import { annualInspection } from '../annual-inspection';
import { approvedUses } from '../approved-uses';
import { documentsAboard } from '../documents-aboard';
import { hundredHourInspection } from '../hundred-hour-inspection';
import { openDiscrepancies } from '../open-discrepancies';
import { registrationIsValid } from '../registration-validity';
import { bind } from './pack';

/** Rules of 14 CFR parts 43, 47 and 91 for standard-category aircraft. The texts were cited from memory: consult the text in force. */
export const usPart91 = {
  id: 'us-part91',
  version: '1',
  title: 'US part 91, standard category',
  authority: true,
  rules: () => [
    bind(documentsAboard, undefined), bind(registrationIsValid, undefined), bind(annualInspection, undefined),
    bind(hundredHourInspection, undefined), bind(openDiscrepancies, undefined), bind(approvedUses, undefined),
  ],
} as const;
