import { commandRoute } from '../answer';
import { correctReading } from '@/commands/meters/correct-reading';

export const POST = commandRoute('POST /api/corrections', correctReading);
