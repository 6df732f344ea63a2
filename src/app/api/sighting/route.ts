import { commandRoute } from '../answer';
import { sightPapers } from '@/commands/sight-papers';

export const POST = commandRoute('POST /api/sighting', sightPapers);
