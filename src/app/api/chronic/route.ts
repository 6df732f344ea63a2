import { queryRoute } from '../answer';
import { readChronicList } from '@/queries/findings/chronic';

export const GET = queryRoute('GET /api/chronic', ({ tx, actor, now }) =>
  readChronicList(tx, actor.clubId, now),
);
