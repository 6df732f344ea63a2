import { commandRoute } from '../../answer';
import { removeBox } from '@/commands/meters/meter-boxes';

export const POST = commandRoute('POST /api/boxes/remove', removeBox);
