import { commandRoute } from '../../answer';
import { changeRelease } from '@/commands/releases/maintenance-release';

export const POST = commandRoute('POST /api/releases/change', changeRelease);
