import { commandRoute } from '../answer';
import { strikeEntry } from '@/commands/maintenance/corrections';

export const POST = commandRoute('POST /api/strikes', strikeEntry);
