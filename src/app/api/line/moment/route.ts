import { queryRoute } from '../../answer';
import { problem } from '../../refusals';
import { lineMomentSchema } from '@/contracts/aircraft/line-moment';
import { lineAt } from '@/queries/aircraft/line-moment';

const WHICH =
  'Choose a moment from three years back to 60 days ahead, such as 2026-11-24T09:42:00Z, and at most 60 rows.';

/** The Line at another moment: as it was known then, or as it is planned. */
export const GET = queryRoute('GET /api/line/moment', async ({ tx, actor, request, now }) => {
  const asked = lineMomentSchema.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!asked.success) return problem(422, WHICH);
  return (await lineAt(tx, actor, asked.data, now)) ?? problem(422, WHICH);
});
