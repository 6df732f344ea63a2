import { commandRoute } from '../../answer';
import { exchangeDial } from '@/commands/meters/dials';

export const POST = commandRoute('POST /api/meters/exchange', exchangeDial);
