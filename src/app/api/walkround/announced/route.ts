import { commandRoute } from '../../answer';
import { announce } from '@/commands/walkround/announce';

export const POST = commandRoute('POST /api/walkround/announced', announce);
