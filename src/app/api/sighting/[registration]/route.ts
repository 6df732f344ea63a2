import { queryRoute } from '../../answer';
import { sightingList } from '@/queries/sighting';

export const GET = queryRoute('GET /api/sighting/[registration]', ({ tx, params }) => sightingList(tx, params['registration'] ?? ''), 'The club has no such aircraft. Choose one from the Line.');
