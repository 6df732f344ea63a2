import { queryRoute } from '../../answer';
import { aircraftPage } from '@/queries/aircraft/aircraft-page';

export const GET = queryRoute(
  'GET /api/aircraft/[registration]',
  ({ tx, actor, params, now }) => aircraftPage(tx, actor, params['registration'] ?? '', now),
  'The club has no such aircraft. Choose one from the Line.',
);
