import { commandRoute } from '../answer';
import { reportFinding } from '@/commands/report-finding';

export const POST = commandRoute('POST /api/findings', reportFinding);
