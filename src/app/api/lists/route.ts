import { commandRoute } from '../answer';
import { clearList } from '@/commands/maintenance/clear-list';

export const POST = commandRoute('POST /api/lists', clearList);
