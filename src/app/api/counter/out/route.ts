import { commandRoute } from '../../answer';
import { checkOut } from '@/commands/check-out';

export const POST = commandRoute('POST /api/counter/out', checkOut);
