import { commandRoute } from '../../answer';
import { endWalkround } from '@/commands/walkround/end';

export const POST = commandRoute('POST /api/walkround/end', endWalkround);
