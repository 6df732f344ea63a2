import { commandRoute } from '../../answer';
import { checkOut } from '@/commands/flights/check-out';

export const POST = commandRoute('POST /api/dispatch/out', checkOut);
