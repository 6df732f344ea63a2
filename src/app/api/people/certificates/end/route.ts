import { commandRoute } from '../../../answer';
import { endCertificate } from '@/commands/people';

export const POST = commandRoute('POST /api/people/certificates/end', endCertificate);
