import { civilDate } from '../src/core/time/civil-date';
import type { Certificate } from '../src/core/records/club/certificate';
import { DEMO_ADDRESS_END } from '../src/contracts/club/demo';

/** The password of every demo account. A demo start says that it is public. */
export const DEMO_PASSWORD = 'tern-bay-demo';

export interface DemoPerson {
  readonly key: string;
  readonly name: string;
  readonly email: string;
  readonly role: string;
  readonly certificates: readonly Certificate[];
}

const person = (role: string, name: string, certificates: readonly Certificate[] = []): DemoPerson => ({
  key: role,
  name,
  email: `${role}${DEMO_ADDRESS_END}`,
  role,
  certificates,
});
const lasting = (kind: Certificate['kind'], number: string, from: string): Certificate => ({
  kind,
  number,
  validFrom: civilDate(from),
  validUntil: 'no-expiry',
});

/** The invented people of Tern Bay, one for each role. */
export const PEOPLE: readonly DemoPerson[] = [
  person('dispatcher', 'Mira Holt'),
  person('renter', 'Rolf Dane', [lasting('pilot', 'P-5501', '2016-06-11')]),
  person('student', 'Pia Okoro', [lasting('student-pilot', 'S-9120', '2025-02-03')]),
  person('instructor', 'Sefa Lund', [lasting('flight-instructor', 'FI-3307', '2014-09-20')]),
  person('mechanic', 'Tomas Brandl', [lasting('mechanic-airframe-powerplant', 'AP-2231', '2015-06-01')]),
  person('safety-officer', 'Ines Marrow'),
  person('administrator', 'Agna Voss'),
];

const sister = (role: string, name: string, certificates: readonly Certificate[] = []): DemoPerson => ({
  key: `reach-${role}`,
  name,
  email: `${role}.sister-field${DEMO_ADDRESS_END}`,
  role,
  certificates,
});

/** The people of the sister field. */
export const SISTER_PEOPLE: readonly DemoPerson[] = [
  sister('dispatcher', 'Lena Orr'),
  sister('renter', 'Rosa Venn', [lasting('pilot', 'P-1140', '2010-01-01')]),
  sister('mechanic', 'Owen Tarr', [lasting('licensed-engineer', 'L-0771', '2010-01-01')]),
];
