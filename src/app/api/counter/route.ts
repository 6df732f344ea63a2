import { queryRoute } from '../answer';
import { counterList } from '@/queries/flights/counter';

export const GET = queryRoute('GET /api/counter', ({ tx, actor, now }) => counterList(tx, actor.clubId, now));
