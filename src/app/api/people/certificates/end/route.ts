import { commandRoute } from '../../../answer';
import { endCertificate } from '@/commands/club/people';

export const POST = commandRoute('POST /api/people/certificates/end', endCertificate);
