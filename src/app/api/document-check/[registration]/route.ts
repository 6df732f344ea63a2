import { queryRoute } from '../../answer';
import { documentCheckList } from '@/queries/documents/document-check';

export const GET = queryRoute(
  'GET /api/document-check/[registration]',
  ({ tx, params }) => documentCheckList(tx, params['registration'] ?? ''),
  'The club has no such aircraft. Choose one from the Line.',
);
