import { commandRoute } from '../../../answer';
import { withdrawRelease } from '@/commands/releases/release-flight';

export const POST = commandRoute('POST /api/dispatch/release/withdraw', withdrawRelease);
