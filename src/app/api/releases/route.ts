import { commandRoute } from '../answer';
import { issueRelease } from '@/commands/maintenance-release';

export const POST = commandRoute('POST /api/releases', issueRelease);
