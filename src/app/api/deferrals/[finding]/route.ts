import { queryRoute } from '../../answer';
import { deferralView } from '@/queries/findings/deferral';

export const GET = queryRoute(
  'GET /api/deferrals/[finding]',
  ({ tx, actor, params, now }) => deferralView(tx, actor, params['finding'] ?? '', now),
  'The club has no such finding. Open the aircraft’s page again.',
);
