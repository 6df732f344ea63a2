import { trialRoute } from '../../answer';
import { draftAnswer } from '@/queries/flights/plan';

export const POST = trialRoute(
  'POST /api/flights/preview',
  ({ tx, actor, now }, { flight, replaces }) => draftAnswer(tx, actor.clubId, flight, replaces, now),
  'The club has no such aircraft. Choose one from the list.',
);
