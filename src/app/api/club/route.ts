import { commandRoute, queryRoute } from '../answer';
import { changeClub } from '@/commands/club/change-club';
import { clubPage } from '@/queries/club/club';

export const GET = queryRoute('GET /api/club', ({ tx, actor }) => clubPage(tx, actor.clubId));

export const POST = commandRoute('POST /api/club', changeClub);
