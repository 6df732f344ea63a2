import { commandRoute } from '../answer';
import { vouch } from '@/commands/vouch';

export const POST = commandRoute('POST /api/vouchings', vouch);
