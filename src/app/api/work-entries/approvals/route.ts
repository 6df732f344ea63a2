import { commandRoute } from '../../answer';
import { approveWork } from '@/commands/maintenance/record-work';

export const POST = commandRoute('POST /api/work-entries/approvals', approveWork);
