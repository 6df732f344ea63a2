import { queryRoute } from '../answer';
import { clubRules } from '@/queries/club/rules';

/** What each rule of the club says. */
export const GET = queryRoute('GET /api/rules', ({ tx, actor }) => clubRules(tx, actor.clubId));
