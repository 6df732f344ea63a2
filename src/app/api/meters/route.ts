import { commandRoute } from '../answer';
import { addDial } from '@/commands/dials';

export const POST = commandRoute('POST /api/meters', addDial);
