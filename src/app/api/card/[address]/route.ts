import { openRoute } from '../../answer';
import { problem } from '../../refusals';
import { cardBehind } from './card-behind';

/** A card for anybody who has its address: what was signed, and whether it holds. */
export const GET = openRoute('GET /api/card/[address]', async (_request, params) => {
  const card = await cardBehind(params['address'] ?? '');
  return card === null
    ? problem(404, 'There is no such card. Scan it again, or ask at the desk.')
    : Response.json(card, { headers: { 'cache-control': 'no-store' } });
});
