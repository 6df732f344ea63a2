import type { Instant } from '../../time/instant';

/** One line of a dipstick's calibration: what the stick reads, in thousandths of its own unit, and what is then in the tank, in picolitres. */
export interface DipPoint {
  readonly reads: number;
  readonly holds: number;
}

/** A tank's dipstick: its unit as it stands on the stick, and its calibration. */
export interface DipStick {
  readonly tank: string;
  readonly unit: string;
  readonly points: readonly DipPoint[];
}

/** How the oil of an engine is read. */
export const OIL_METHODS = ['stick-screwed-in', 'stick-not-screwed-in', 'after-turning'] as const;
/** Which way a tab moves when its surface is lifted. */
export const TABS = ['anti-servo', 'servo'] as const;
/** What is done to a propeller by hand. */
export const PROPELLER_RULES = ['never', 'hub-twist', 'turn-for-oil'] as const;

/** What the walk-round of an aircraft rests on beyond its particulars, as somebody entitled said it: the last counts. A field that is null is not known. */
export interface RampData {
  readonly id: string;
  readonly recordedAt: Instant;
  /** What it has, of the features that decide about steps. */
  readonly features: readonly string[];
  /** Steps whose item it does not have. */
  readonly without: readonly string[];
  readonly blades: number | null;
  readonly tab: (typeof TABS)[number] | null;
  readonly propeller: (typeof PROPELLER_RULES)[number] | null;
  readonly oilMethod: (typeof OIL_METHODS)[number] | null;
  /** How long a sample runs, in seconds. */
  readonly sampleSeconds: number | null;
  readonly dips: readonly DipStick[];
}
