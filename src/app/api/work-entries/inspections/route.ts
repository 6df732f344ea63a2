import { commandRoute } from '../../answer';
import { recordIndependentInspection } from '@/commands/maintenance/after-work';

export const POST = commandRoute('POST /api/work-entries/inspections', recordIndependentInspection);
