import { commandRoute } from '../../answer';
import { enterCertificate } from '@/commands/club/members';

export const POST = commandRoute('POST /api/people/certificates', enterCertificate);
