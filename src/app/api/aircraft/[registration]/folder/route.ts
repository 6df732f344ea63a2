import { queryRoute } from '../../../answer';
import { folder } from '@/queries/aircraft/folder';

export const GET = queryRoute(
  'GET /api/aircraft/[registration]/folder',
  ({ tx, actor, params, now }) => folder(tx, actor, params['registration'] ?? '', now),
  'The club has no such aircraft. Choose one from the Line.',
);
