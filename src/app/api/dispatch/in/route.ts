import { commandRoute } from '../../answer';
import { checkIn } from '@/commands/flights/check-in';

export const POST = commandRoute('POST /api/dispatch/in', checkIn);
