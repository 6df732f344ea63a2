import { commandRoute } from '../answer';
import { vouch } from '@/commands/documents/vouch';

export const POST = commandRoute('POST /api/vouchings', vouch);
