import { commandRoute } from '../answer';
import { strikeEntry } from '@/commands/corrections';

export const POST = commandRoute('POST /api/strikes', strikeEntry);
