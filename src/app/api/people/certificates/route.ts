import { commandRoute } from '../../answer';
import { enterCertificate } from '@/commands/club/people';

export const POST = commandRoute('POST /api/people/certificates', enterCertificate);
