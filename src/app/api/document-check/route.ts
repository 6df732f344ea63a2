import { commandRoute } from '../answer';
import { checkDocuments } from '@/commands/documents/check-documents';

export const POST = commandRoute('POST /api/document-check', checkDocuments);
