import { commandRoute } from '../answer';
import { reportFinding } from '@/commands/findings/report-finding';

export const POST = commandRoute('POST /api/findings', reportFinding);
