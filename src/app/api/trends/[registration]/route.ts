import { queryRoute } from '../../answer';
import { aircraftTrends } from '@/queries/walkround/trends';

export const GET = queryRoute(
  'GET /api/trends/[registration]',
  ({ tx, actor, params, now }) =>
    aircraftTrends(tx, actor.clubId, params['registration'] ?? '', actor.roles, now),
  'The club has no such aircraft. Choose it from the Line.',
);
