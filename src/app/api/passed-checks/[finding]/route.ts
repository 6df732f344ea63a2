import { queryRoute } from '../../answer';
import { readPassedChecks } from '@/queries/walkround/passed-checks';

export const GET = queryRoute(
  'GET /api/passed-checks/[finding]',
  ({ tx, actor, params }) => readPassedChecks(tx, actor, params['finding'] ?? ''),
  'The club has no such finding. Open the list again.',
);
