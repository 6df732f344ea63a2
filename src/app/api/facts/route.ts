import { commandRoute } from '../answer';
import { enterFact } from '@/commands/aircraft/enter-fact';

export const POST = commandRoute('POST /api/facts', enterFact);
