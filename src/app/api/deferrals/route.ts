import { commandRoute } from '../answer';
import { defer } from '@/commands/findings/defer';

export const POST = commandRoute('POST /api/deferrals', defer);
