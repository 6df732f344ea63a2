import { commandRoute, queryRoute } from '../answer';
import { admit } from '@/commands/club/links';
import { people } from '@/queries/club/people';

export const GET = queryRoute('GET /api/people', ({ tx, actor, now }) => people(tx, actor, now));

export const POST = commandRoute('POST /api/people', admit);
