import { commandRoute } from '../../answer';
import { withdrawRestriction } from '@/commands/flights/dispatch-restriction';

export const POST = commandRoute('POST /api/restrictions/withdrawals', withdrawRestriction);
