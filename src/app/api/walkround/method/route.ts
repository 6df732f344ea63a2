import { commandRoute, queryRoute } from '../../answer';
import { setMethod } from '@/commands/walkround/set-method';
import { schoolMethod } from '@/queries/walkround/school-method';

export const GET = queryRoute('GET /api/walkround/method', ({ tx }) => schoolMethod(tx));

export const POST = commandRoute('POST /api/walkround/method', setMethod);
