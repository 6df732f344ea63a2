import { commandRoute } from '../answer';
import { beginWalkround } from '@/commands/walkround/begin';

export const POST = commandRoute('POST /api/walkround', beginWalkround);
