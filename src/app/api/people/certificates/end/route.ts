import { commandRoute } from '../../../answer';
import { endCertificate } from '@/commands/club/members';

export const POST = commandRoute('POST /api/people/certificates/end', endCertificate);
