import { queryRoute } from '../answer';
import { rampList } from '@/queries/ramp';

export const GET = queryRoute('GET /api/ramp', ({ tx }) => rampList(tx));
