import { queryRoute } from '../../answer';
import { idSchema } from '@/contracts/kernel/scalars';
import { counterFlight } from '@/queries/flights/counter';

export const GET = queryRoute(
  'GET /api/counter/[flight]',
  async ({ tx, actor, params, now }) => {
    const flight = idSchema().safeParse(params['flight']);
    return flight.success ? counterFlight(tx, actor.clubId, flight.data, now) : null;
  },
  'There is no such flight: it may have been moved or cancelled. Choose one from the Counter.',
);
