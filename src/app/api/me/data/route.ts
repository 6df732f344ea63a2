import { queryRoute } from '../../answer';
import { personData } from '@/queries/club/person-data';

export const GET = queryRoute('GET /api/me/data', ({ tx, actor, now }) => personData(tx, actor, now));
