import { commandRoute } from '../../answer';
import { readOwnNotices } from '@/commands/notices/own-notices';

export const POST = commandRoute('POST /api/notices/read', readOwnNotices);
