import { commandRoute } from '../answer';
import { attributeUnlogged } from '@/commands/meters/unlogged';

export const POST = commandRoute('POST /api/unlogged', attributeUnlogged);
