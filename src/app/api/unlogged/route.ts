import { commandRoute } from '../answer';
import { attributeUnlogged } from '@/commands/unlogged';

export const POST = commandRoute('POST /api/unlogged', attributeUnlogged);
