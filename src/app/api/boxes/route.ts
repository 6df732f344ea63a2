import { commandRoute } from '../answer';
import { fitBox } from '@/commands/meters/meter-boxes';

export const POST = commandRoute('POST /api/boxes', (ports, actor, entry) => fitBox(ports, actor, entry));
