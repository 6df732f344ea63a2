import { commandRoute } from '../../answer';
import { answerWalkround } from '@/commands/walkround/answer';

export const POST = commandRoute('POST /api/walkround/events', answerWalkround);
