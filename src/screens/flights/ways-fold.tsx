'use client';

import { More } from '../kit/more';
import { WaysOut } from './ways';

/** What would let a flight go, folded away until somebody asks. @param day of the flight, as the Flights page has it */
export function WaysFold({ flightId, day }: { readonly flightId: string; readonly day: string }) {
  return (
    <More summary="What would let it go">
      <WaysOut flightId={flightId} day={day} />
    </More>
  );
}
