/** What somebody may be in a club. A role permits screens; a certificate permits signatures. */
export const ROLES = [
  'administrator',
  'dispatcher',
  'instructor',
  'mechanic',
  'safety-officer',
  'renter',
  'student',
] as const;
export type Role = (typeof ROLES)[number];
