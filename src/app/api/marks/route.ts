import { commandRoute } from '../answer';
import { acceptMark } from '@/commands/findings/accept-mark';

export const POST = commandRoute('POST /api/marks', acceptMark);
