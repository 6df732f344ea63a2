import { commandRoute, queryRoute } from '../answer';
import { problem } from '../refusals';
import { planOrMove } from '@/commands/flights/planning';
import { may } from '@/contracts/kernel/permissions';
import { dateSchema } from '@/contracts/kernel/scalars';
import { dayPlan } from '@/queries/flights/plan';

export const GET = queryRoute('GET /api/flights', async ({ tx, actor, request, now }) => {
  const text = new URL(request.url).searchParams.get('day');
  const date = text === null ? null : dateSchema.safeParse(text);
  if (date !== null && !date.success) return problem(422, 'That is no day. Choose one, such as 2026-11-24.');
  return dayPlan(
    tx,
    actor.clubId,
    date === null ? null : date.data,
    now,
    may(actor.roles, 'plan-flight-of-others'),
  );
});

export const POST = commandRoute('POST /api/flights', planOrMove);
