import { queryRoute } from '../../answer';
import { personData } from '@/queries/person-data';

export const GET = queryRoute('GET /api/me/data', ({ tx, actor, now }) => personData(tx, actor, now));
