import { commandRoute } from '../answer';
import { enterPermit } from '@/commands/maintenance/enter-permit';

export const POST = commandRoute('POST /api/permits', enterPermit);
