import { answer, body, problem, refusal, route } from '../answer';
import { planOrMove } from '@/commands/planning';
import { planSchema } from '@/contracts/plan';
import { dateSchema } from '@/contracts/scalars';
import { inClub } from '@/db/club-transaction';
import { dayPlan } from '@/queries/plan';
import { runtime } from '@/server/runtime';

export const GET = route(async (actor, request) => {
  const { db, ports } = runtime();
  const text = new URL(request.url).searchParams.get('day');
  const date = text === null ? null : dateSchema.safeParse(text);
  if (date !== null && !date.success) return problem(422, 'That is no day. Choose one, such as 2026-11-24.');
  return Response.json(await inClub(db, actor.clubId, (tx) => dayPlan(tx, actor.clubId, date === null ? null : date.data, ports.now())));
});

export const POST = route(async (actor, request) => {
  const entry = await body(request, planSchema);
  return entry.ok ? answer(await planOrMove(runtime().ports, actor, entry.value)) : refusal(entry.refusal);
});
