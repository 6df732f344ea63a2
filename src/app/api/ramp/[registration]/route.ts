import { queryRoute } from '../../answer';
import { rampAircraft } from '@/queries/findings/ramp';

export const GET = queryRoute(
  'GET /api/ramp/[registration]',
  ({ tx, actor, params, now }) => rampAircraft(tx, actor.clubId, params['registration'] ?? '', now),
  'The club has no such aircraft. Choose one from the Line.',
);
