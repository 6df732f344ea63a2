import { queryRoute } from '../../answer';
import { idSchema } from '@/contracts/kernel/scalars';
import { dispatchFlight } from '@/queries/flights/dispatch';

export const GET = queryRoute(
  'GET /api/dispatch/[flight]',
  async ({ tx, actor, params, now }) => {
    const flight = idSchema().safeParse(params['flight']);
    return flight.success ? dispatchFlight(tx, actor.clubId, flight.data, now) : null;
  },
  'There is no such flight: it may have been moved or cancelled. Choose one from the dispatch page.',
);
