import { commandRoute } from '../../../answer';
import { endDevice } from '@/commands/notices/own-notices';

export const POST = commandRoute('POST /api/notices/devices/end', endDevice);
