import { commandRoute } from '../answer';
import { addAircraft } from '@/commands/add-aircraft';

export const POST = commandRoute('POST /api/fleet', addAircraft);
