import { commandRoute } from '../../answer';
import { checkIn } from '@/commands/check-in';

export const POST = commandRoute('POST /api/counter/in', checkIn);
