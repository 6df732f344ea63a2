import type { FullBox } from '../../envelope/dimensions';
import type { Volume } from '../../quantities/volume';
import type { CivilDate } from '../../time/civil-date';
import type { Instant } from '../../time/instant';
import type { FuelGrade, MeasureLimit } from '../walkround/measurement';

/** Certification categories. Only those that a rule pack covers can be decided; the rest are closed, not guessed. */
export const CATEGORIES = [
  'standard',
  'light-sport',
  'experimental',
  'glider',
  'restricted',
  'provisional',
] as const;
export type Category = (typeof CATEGORIES)[number];

/** How the aircraft's regular inspections are arranged. `progressive`: in segments, by an approved programme. */
export const PROGRAMMES = ['annual', 'progressive'] as const;
export type Programme = (typeof PROGRAMMES)[number];

/**
 * The class of an aircraft, which is not the category of its certificate: a glider may have a standard, a light-sport or an
 * experimental one. Source: 14 CFR 1.1, category and class as used for certification of aircraft (from memory).
 */
export const AIRCRAFT_CLASSES = ['aeroplane', 'glider'] as const;
export type AircraftClass = (typeof AIRCRAFT_CLASSES)[number];

/** What its navigation by instruments rests on. */
export const IFR_NAVIGATION = ['vor-only', 'satellite-only', 'either'] as const;
export type IfrNavigation = (typeof IFR_NAVIGATION)[number];

/** Fuel system figures, from the handbook. A field that is null is not known. */
export interface FuelFigures {
  /** What it burns in an hour at normal cruise. */
  readonly burnPerHour: Volume | null;
  /** Below this no flight begins, whatever the plan; zero states that the handbook names none. */
  readonly minimum: Volume | null;
  /** Tanks by name with what of each can be used. */
  readonly tanks: readonly { readonly id: string; readonly usable: Volume }[];
  /** Drains by name; null is not known, and then only a sample of every drain says that none was left out. Absent in old records. */
  readonly drains?: readonly string[] | null;
  /** Grades that it is approved for; null is not known. Absent in old records. */
  readonly grades?: readonly FuelGrade[] | null;
}

/** What rules ask of the aircraft as built and equipped. A field that is null is not known. */
export interface Particulars {
  readonly serialNumber: string | null;
  readonly manufacturedOn: CivilDate | null;
  /** When its type was certificated under part 23; decides whether anticollision lights are on the day list. */
  readonly certificatedOn: CivilDate | null;
  /** Seats, the pilot's included. */
  readonly seats: number | null;
  readonly engine: { readonly cooling: 'air' | 'liquid'; readonly altitude: boolean } | 'none' | null;
  readonly gear: 'fixed' | 'retractable' | null;
  /** Null counts as an aeroplane, of which more is asked. */
  readonly aircraftClass: AircraftClass | null;
  /** Whether it has fuses that the pilot can replace in flight; only then spares are asked for. */
  readonly fuses: boolean | null;
  /** Whether it was ever certificated with an engine-driven electrical system, or has one now. Null counts as having one. Absent in old records. */
  readonly engineDrivenElectrical?: boolean | null;
  /** For a glider: whether it stays rigged between flights. Absent in old records. */
  readonly keptRigged?: boolean | null;
  readonly programme: Programme | null;
  readonly ifrNavigation: IfrNavigation | null;
  /** Revision of the flight manual that is in force for this aircraft; 'none' states that its manual has no revisions. */
  readonly manualRevision: string | null;
  /** An approved minimum equipment list with its letter of authorisation aboard; 'none' states that there is none. */
  readonly minimumEquipmentList: 'approved' | 'none' | null;
  readonly fuel: FuelFigures | null;
  /** What the operating limitations of an experimental aircraft authorise beyond flight by day and visually. Absent or empty authorises nothing. */
  readonly authorised?: readonly ('night' | 'instruments')[];
  /** Limits of what is measured on the ramp. */
  readonly measured: readonly MeasureLimit[];
}

/** Nothing known of it. */
export const UNKNOWN_PARTICULARS: Particulars = {
  serialNumber: null,
  manufacturedOn: null,
  certificatedOn: null,
  seats: null,
  engine: null,
  gear: null,
  aircraftClass: null,
  fuses: null,
  programme: null,
  ifrNavigation: null,
  manualRevision: null,
  minimumEquipmentList: null,
  fuel: null,
  measured: [],
};

/** True for a glider, whatever its certificate is. One of the glider category that is said to be an aeroplane is asked for what aeroplanes are. */
export function isGlider({ category, particulars }: Pick<Described, 'category' | 'particulars'>): boolean {
  return (
    particulars.aircraftClass === 'glider'
    || (category === 'glider' && particulars.aircraftClass !== 'aeroplane')
  );
}

/** True where nothing burns fuel or oil: no engine, or a glider of which nobody said that it has one. */
export function isWithoutEngine(described: Pick<Described, 'category' | 'particulars'>): boolean {
  return (
    described.particulars.engine === 'none' || (described.particulars.engine === null && isGlider(described))
  );
}

/** True for one that 14 CFR 91.215(b)(3) and (5) and 91.225(e) let into some airspace without transponder and ADS-B Out: a glider, or no engine-driven electrical system. */
export function isExceptedFromTransponder(described: Pick<Described, 'category' | 'particulars'>): boolean {
  return isGlider(described) || described.particulars.engineDrivenElectrical === false;
}

/** The aircraft itself. A field that is null is not known. */
export interface Aircraft extends Described {
  readonly registration: string;
}

/** What somebody said that the aircraft is, and when it was written down. The latest counts. */
export interface Description extends Described {
  readonly id: string;
  readonly recordedAt: Instant;
}

/** What an aircraft is said to be. A field that is null is not known. */
export interface Described {
  readonly category: Category | null;
  /** Day of its first flight: decides whether a flight manual must be aboard (before or from 1 March 1979). */
  readonly firstFlownOn: CivilDate | null;
  /** Everything that it is fitted and approved for: the uses in any of the boxes. */
  readonly approvedFor: readonly FullBox[] | null;
  readonly particulars: Particulars;
}
