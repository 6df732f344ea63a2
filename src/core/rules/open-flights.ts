import { byId } from '../order';
import { ALL_USES, NO_USES } from '../envelope/use-set';
import { hoursFromSeconds } from '../quantities/hours';
import { unreadSeconds } from '../records/meters/unread';
import { ANYBODY, constraint, remedy, RECORD_KEEPER } from './parts/constraint';
import { result, rule } from './parts/rule';

const source = { kind: 'common-practice' } as const;

/** An aircraft that is out is not here for the next flight; that is not its verdict. Two flights open at once cannot be. */
export const openFlights = rule({
  id: 'open-flights',
  title: 'Aircraft out',
  source,
  explanation:
    'While a flight has left and has not been checked in, every later one has to wait until its return, or the loss of the aircraft, is recorded. It does not change the verdict. Two open flights contradict each other, and then nothing is known.',
  judge: ({ flightsOut, unread }) => {
    // Told, so that nobody wonders why a limit is nearer than the meter says.
    const notices = unread.map((flight) =>
      constraint({
        key: `unread.${flight.id}`,
        certainty: 'unknown',
        source,
        reason: {
          code: 'flight-not-read',
          by: flight.by,
          returnedAt: flight.returned?.at ?? flight.happenedAt,
          seconds: hoursFromSeconds(unreadSeconds(flight)),
        },
        records: [flight.id],
        closes: NO_USES,
        remedies: [remedy('record-meter-reading', ANYBODY, 'time-in-service')],
        notice: true,
      }),
    );
    const [earlier, later] = flightsOut
      .filter(({ returned }) => returned === null)
      .sort((a, b) => a.happenedAt - b.happenedAt || byId(a, b));
    if (earlier === undefined || later === undefined) return result(notices);
    return result([
      ...notices,
      constraint({
        key: 'two',
        certainty: 'unknown',
        source,
        reason: { code: 'two-flights-open', earlier: earlier.id, later: later.id },
        records: [earlier.id, later.id],
        closes: ALL_USES,
        remedies: [remedy('correct-record', RECORD_KEEPER, later.id)],
      }),
    ]);
  },
  judgeFlight: ({ flightsOut }, _, flight, needs) =>
    flightsOut
      .filter(({ returned, id }) => returned === null && id !== flight.id)
      .slice(0, 1)
      .map((out) =>
        constraint({
          key: 'out',
          certainty: 'failed',
          source,
          reason: { code: 'aircraft-out', by: out.by, since: out.happenedAt },
          records: [out.id],
          closes: needs,
          remedies: [remedy('record-return', ANYBODY, out.id)],
        }),
      ),
});
