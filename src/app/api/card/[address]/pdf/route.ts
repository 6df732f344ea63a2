import { openRoute } from '../../../answer';
import { problem } from '../../../refusals';
import { cardBehind } from '../card-behind';
import { releaseCardPdf } from '@/server/release-card';
import { runtime } from '@/server/runtime';

/** The same on one page, with a code that opens it. */
export const GET = openRoute('GET /api/card/[address]/pdf', async (_request, params) => {
  const address = params['address'] ?? '';
  const found = await cardBehind(address);
  if (found === null) return problem(404, 'There is no such card. Scan it again, or ask at the desk.');
  const pdf = await releaseCardPdf(found, `${runtime().env.GROVAL_URL}/card/${address}`);
  return new Response(pdf as BodyInit, {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="release-${found.card.registration}.pdf"`,
      'cache-control': 'no-store',
    },
  });
});
