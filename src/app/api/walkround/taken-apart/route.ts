import { commandRoute } from '../../answer';
import { takeApart } from '@/commands/walkround/rigging';

export const POST = commandRoute('POST /api/walkround/taken-apart', takeApart);
