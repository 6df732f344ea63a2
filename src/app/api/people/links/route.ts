import { commandRoute } from '../../answer';
import { makeLinkFor } from '@/commands/club/links';

export const POST = commandRoute('POST /api/people/links', makeLinkFor);
