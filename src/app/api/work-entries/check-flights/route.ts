import { commandRoute } from '../../answer';
import { recordCheckFlight } from '@/commands/maintenance/after-work';

export const POST = commandRoute('POST /api/work-entries/check-flights', recordCheckFlight);
