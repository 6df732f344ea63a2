import { commandRoute } from '../../../answer';
import { recordAnnounced } from '@/commands/walkround/announce';

export const POST = commandRoute('POST /api/walkround/announced/done', recordAnnounced);
