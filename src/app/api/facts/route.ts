import { commandRoute } from '../answer';
import { enterFact } from '@/commands/enter-fact';

export const POST = commandRoute('POST /api/facts', enterFact);
