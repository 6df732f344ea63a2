import { commandRoute } from '../answer';
import { recordEntry } from '@/commands/maintenance/record-entry';

export const POST = commandRoute('POST /api/entries', recordEntry);
