import { commandRoute } from '../../answer';
import { readMeters } from '@/commands/meters/read-meters';

export const POST = commandRoute('POST /api/meters/readings', readMeters);
