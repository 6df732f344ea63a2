import { queryRoute } from '../answer';
import { dispatchList } from '@/queries/flights/dispatch';

export const GET = queryRoute('GET /api/dispatch', ({ tx, actor, now }) =>
  dispatchList(tx, actor.clubId, now),
);
