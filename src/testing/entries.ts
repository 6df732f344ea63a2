// What tests enter at the ramp and at the desk, with nothing out of the ordinary. For tests only.
import { randomUUID } from 'node:crypto';
import type { CheckIn } from '@/contracts/flights/dispatch';
import type { Instant } from '@/core/time/instant';

/** A flight that is taken back with nothing to report. */
export const NOTHING_TO_REPORT = {
  airborne: null,
  landings: 1,
  towLaunches: null,
  fuelAdded: null,
  oilAdded: null,
  remarks: 'nothing-to-report',
  defects: [],
} satisfies Partial<CheckIn>;

/** A nick in the propeller, found on the walk-round now: it grounds. */
export const newNick = ({
  aircraftId,
  ports,
}: {
  readonly aircraftId: string;
  readonly ports: { readonly now: () => Instant };
}) =>
  ({
    findingId: randomUUID(),
    aircraftId,
    station: 'propeller',
    side: null,
    step: 'K217',
    asListed: true,
    what: 'New nick',
    looks: 'not-right',
    foundAt: ports.now(),
  }) as const;
