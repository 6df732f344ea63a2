import { problem, route } from '../../answer';
import { dateSchema } from '@/contracts/scalars';
import { inClub } from '@/db/club-transaction';
import { sheet } from '@/queries/sheet';
import { runtime } from '@/server/runtime';

export const GET = route(async (actor, request, { params }: { params: Promise<{ registration: string }> }) => {
  const { db, ports } = runtime();
  const { registration } = await params;
  const text = new URL(request.url).searchParams.get('day');
  const date = text === null ? null : dateSchema.safeParse(text);
  if (date !== null && !date.success) return problem(422, 'That is no day. Choose one, such as 2026-11-24.');
  const found = await inClub(db, actor.clubId, (tx) => sheet(tx, actor.clubId, registration, date === null ? null : date.data, ports.now()));
  return found === null ? problem(404, `The club has no aircraft ${registration.slice(0, 20)}. Choose one from the Line.`) : Response.json(found);
});
