import { commandRoute } from '../../answer';
import { exchangeDial } from '@/commands/dials';

export const POST = commandRoute('POST /api/meters/exchange', exchangeDial);
