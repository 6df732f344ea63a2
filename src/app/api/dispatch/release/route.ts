import { commandRoute } from '../../answer';
import { releaseFlight } from '@/commands/releases/release-flight';

export const POST = commandRoute('POST /api/dispatch/release', releaseFlight);
