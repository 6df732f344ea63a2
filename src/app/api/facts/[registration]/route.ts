import { queryRoute } from '../../answer';
import { facts } from '@/queries/aircraft/facts';

export const GET = queryRoute(
  'GET /api/facts/[registration]',
  ({ tx, actor, params, now }) => facts(tx, actor, params['registration'] ?? '', now),
  'The club has no such aircraft. Choose one from the Line.',
);
