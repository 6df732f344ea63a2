import { queryRoute } from '../answer';
import { rampList } from '@/queries/findings/ramp';

export const GET = queryRoute('GET /api/ramp', ({ tx }) => rampList(tx));
