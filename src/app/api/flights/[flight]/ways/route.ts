import { queryRoute } from '../../../answer';
import { idSchema } from '@/contracts/kernel/scalars';
import { waysFor } from '@/queries/flights/ways';

/** What would let a flight go that cannot as it is planned. */
export const GET = queryRoute(
  'GET /api/flights/[flight]/ways',
  async ({ tx, actor, params, now }) => {
    const flight = idSchema().safeParse(params['flight']);
    return flight.success ? waysFor(tx, actor.clubId, flight.data, now) : null;
  },
  'This flight is not planned any more, or it has begun.',
);
