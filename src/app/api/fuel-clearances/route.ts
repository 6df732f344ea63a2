import { commandRoute } from '../answer';
import { clearFuel } from '@/commands/findings/clear-fuel';

export const POST = commandRoute('POST /api/fuel-clearances', clearFuel);
