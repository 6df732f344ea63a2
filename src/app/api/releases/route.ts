import { commandRoute } from '../answer';
import { issueRelease } from '@/commands/releases/maintenance-release';

export const POST = commandRoute('POST /api/releases', issueRelease);
