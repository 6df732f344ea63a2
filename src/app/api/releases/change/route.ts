import { commandRoute } from '../../answer';
import { changeRelease } from '@/commands/maintenance-release';

export const POST = commandRoute('POST /api/releases/change', changeRelease);
