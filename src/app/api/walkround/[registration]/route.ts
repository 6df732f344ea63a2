import { queryRoute } from '../../answer';
import { rampWalk } from '@/queries/walkround/ramp-walk';

export const GET = queryRoute(
  'GET /api/walkround/[registration]',
  ({ tx, actor, params, now, request }) =>
    rampWalk(
      tx,
      actor.clubId,
      params['registration'] ?? '',
      actor,
      new URL(request.url).searchParams.get('flight'),
      now,
    ),
  'The club has no such aircraft. Look at the key tag again, or choose the aircraft from the list.',
);
