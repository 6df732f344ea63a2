import { trialRoute } from '../../answer';
import { entryPreview } from '@/queries/maintenance/entry-preview';

export const POST = trialRoute(
  'POST /api/entries/preview',
  ({ tx, actor, now }, question) => entryPreview(tx, actor.clubId, question, now),
  'The aircraft has no such item, AD or method. Open its folder again.',
);
