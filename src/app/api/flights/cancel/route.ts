import { commandRoute } from '../../answer';
import { cancelFlight } from '@/commands/flights/planning';

export const POST = commandRoute('POST /api/flights/cancel', cancelFlight);
