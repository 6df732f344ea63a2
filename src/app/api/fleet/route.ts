import { commandRoute } from '../answer';
import { addAircraft } from '@/commands/aircraft/add-aircraft';

export const POST = commandRoute('POST /api/fleet', addAircraft);
