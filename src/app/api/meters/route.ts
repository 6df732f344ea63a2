import { commandRoute } from '../answer';
import { addDial } from '@/commands/meters/dials';

export const POST = commandRoute('POST /api/meters', addDial);
