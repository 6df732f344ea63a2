import { commandRoute } from '../../answer';
import { beginWork } from '@/commands/maintenance/record-work';

export const POST = commandRoute('POST /api/work-entries/begun', beginWork);
