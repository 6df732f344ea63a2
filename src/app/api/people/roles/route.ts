import { commandRoute } from '../../answer';
import { changeRoles } from '@/commands/club/people';

export const POST = commandRoute('POST /api/people/roles', changeRoles);
