import { commandRoute } from '../answer';
import { clearList } from '@/commands/clear-list';

export const POST = commandRoute('POST /api/lists', clearList);
