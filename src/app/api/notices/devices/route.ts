import { commandRoute } from '../../answer';
import { enterDevice } from '@/commands/notices/own-notices';

export const POST = commandRoute('POST /api/notices/devices', enterDevice);
