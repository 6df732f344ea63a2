import { problem } from '../../refusals';
import { queryRoute } from '../../answer';
import { dateSchema } from '@/contracts/kernel/scalars';
import { sheet } from '@/queries/flights/sheet';

export const GET = queryRoute(
  'GET /api/sheet/[registration]',
  async ({ tx, actor, params, request, now }) => {
    const text = new URL(request.url).searchParams.get('day');
    const date = text === null ? null : dateSchema.safeParse(text);
    if (date !== null && !date.success)
      return problem(422, 'That is no day. Choose one, such as 2026-11-24.');
    return sheet(tx, actor.clubId, params['registration'] ?? '', date === null ? null : date.data, now);
  },
  'The club has no such aircraft. Choose one from the Line.',
);
