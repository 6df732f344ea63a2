import { commandRoute, queryRoute } from '../answer';
import { triageFinding } from '@/commands/findings/triage';
import { triageList } from '@/queries/findings/triage';

export const GET = queryRoute('GET /api/triage', ({ tx, actor, now }) => triageList(tx, actor, now));

export const POST = commandRoute('POST /api/triage', triageFinding);
