import { commandRoute } from '../../answer';
import { setOwnNotices } from '@/commands/notices/own-notices';

export const POST = commandRoute('POST /api/notices/settings', setOwnNotices);
