import { commandRoute } from '../../answer';
import { revokeFeed } from '@/commands/exchange/calendar-feeds';

export const POST = commandRoute('POST /api/feed/revoke', revokeFeed);
