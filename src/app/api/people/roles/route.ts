import { commandRoute } from '../../answer';
import { changeRoles } from '@/commands/club/members';

export const POST = commandRoute('POST /api/people/roles', changeRoles);
