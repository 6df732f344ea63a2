import { commandRoute } from '../answer';
import { restrict } from '@/commands/flights/dispatch-restriction';

export const POST = commandRoute('POST /api/restrictions', restrict);
