import { commandRoute } from '../answer';
import { returnToService } from '@/commands/findings/return-to-service';

export const POST = commandRoute('POST /api/returns', returnToService);
