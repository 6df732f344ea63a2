import { trialRoute } from '../../answer';
import { clubTrial } from '@/queries/club/club';

export const POST = trialRoute(
  'POST /api/club/trial',
  ({ tx, actor, now }, { club }) => clubTrial(tx, actor.clubId, club, now),
  'There is no such club.',
);
