import { commandRoute } from '../../answer';
import { makeLinkFor } from '@/commands/club/people';

export const POST = commandRoute('POST /api/people/links', makeLinkFor);
