import { commandRoute } from '../answer';
import { recordWork } from '@/commands/maintenance/record-work';

export const POST = commandRoute('POST /api/work-entries', recordWork);
