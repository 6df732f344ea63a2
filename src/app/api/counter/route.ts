import { queryRoute } from '../answer';
import { counterList } from '@/queries/counter';

export const GET = queryRoute('GET /api/counter', ({ tx, actor, now }) => counterList(tx, actor.clubId, now));
