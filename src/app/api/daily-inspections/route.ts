import { commandRoute } from '../answer';
import { signDailyInspection } from '@/commands/releases/sign-daily-inspection';

export const POST = commandRoute('POST /api/daily-inspections', signDailyInspection);
