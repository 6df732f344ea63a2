import type { FullBox } from '../../envelope/dimensions';
import type { Instant } from '../../time/instant';
import type { CivilDate } from '../../time/civil-date';
import type { Hours } from '../../quantities/hours';
import type { RecordBase } from '../record';

/** A flight that has left: who has the aircraft, and when it came back. */
export interface FlightOut extends RecordBase {
  readonly by: string | null;
  /** Planned time in the air; absent or null takes the whole time until it came back. */
  readonly airborne?: Hours | null;
  /** Null while it is out. */
  readonly returned: { readonly recordedAt: Instant; readonly at: Instant } | null;
}

/** What a dispatcher or mechanic closes beyond the records, with a reason and an end. It can only restrict. */
export interface DispatchRestriction extends RecordBase {
  readonly by: string;
  readonly why: string;
  /** What it closes; null means every use. */
  readonly uses: readonly FullBox[] | null;
  /** Instead of closing, hold to a number. */
  readonly cap: {
    readonly quantity: 'persons' | 'load' | 'fuel';
    readonly bound: 'at-most' | 'at-least';
    readonly value: number;
  } | null;
  readonly until: Instant | null;
  readonly withdrawn: { readonly recordedAt: Instant } | null;
}

/** A club document or an insurer, with a date of its own. */
export interface ClubDocument extends RecordBase {
  readonly kind: 'insurance' | 'club';
  readonly name: string;
  readonly validUntil: CivilDate | 'no-expiry' | null;
  /** Uses that need it; null means every use. */
  readonly uses: readonly FullBox[] | null;
}

/** The rope and links for a tow, in hundred-thousandths of a gram (a pound is exactly 45,359,237 of them). A knot or broken strand makes the rope unfit. */
export interface TowRope extends RecordBase {
  readonly strength: number | null;
  readonly sound: boolean | null;
  /** Breaking strength of the link at the glider's and at the tug's end; 'none' states that there is none. */
  readonly gliderLink: number | 'none' | null;
  readonly tugLink: number | 'none' | null;
  /** Maximum certificated operating weight of the glider. */
  readonly gliderWeight: number | null;
}

/** What doing an act takes, as the club calculates it: whole minutes out of service and whole cents. */
export interface Estimate {
  readonly act: string;
  /** What it is done to; null for any. */
  readonly on: string | null;
  readonly minutes: number;
  readonly cents: number;
}
