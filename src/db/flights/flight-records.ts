import type { PilotReport } from '@/core/records/flights/pilot-report';
import type { Meter } from '@/core/records/meters/meters';
import type { Instant } from '@/core/time/instant';

/** What one dial showed, as it was entered, with what the meters that it counts towards stood at. */
export interface DialReading {
  readonly dial: string;
  readonly name: string;
  readonly shown: string;
  readonly values: readonly { readonly meter: Meter; readonly value: number }[];
  /** What was written before somebody corrected it; null or absent where nobody did. */
  readonly written?: string | null;
}

/** A flight that has left. */
export interface DepartedFlight {
  readonly id: string;
  readonly aircraftId: string;
  readonly personName: string;
  readonly purpose: string | null;
  readonly crew: string | null;
  readonly readings: readonly DialReading[];
  readonly fuelAboard: string | null;
  readonly oilAboard: string | null;
  readonly remarks: string | null;
  readonly leftAt: Instant;
  readonly recordedAt: Instant;
}

/** Its return. */
export interface FlightReturn {
  readonly readings: readonly DialReading[];
  readonly landings: number | null;
  readonly towLaunches: number | null;
  /** Seconds to be billed, and the dial or clock that they come from. */
  readonly billed: number | null;
  readonly billedFrom: string | null;
  readonly fuelAdded: string | null;
  readonly oilAdded: string | null;
  readonly report: PilotReport;
  readonly at: Instant;
  readonly recordedAt: Instant;
}

/** A flight with its return, null while it is out. */
export interface FlownFlight extends DepartedFlight {
  readonly recordedBy: string;
  readonly returned: (FlightReturn & { readonly recordedBy: string }) | null;
}
