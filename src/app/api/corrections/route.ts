import { commandRoute } from '../answer';
import { correctReading } from '@/commands/correct-reading';

export const POST = commandRoute('POST /api/corrections', correctReading);
