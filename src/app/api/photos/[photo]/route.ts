import { z } from 'zod';
import { problem, route } from '../../answer';
import { readPhoto } from '@/db/aircraft-papers';
import { inClub } from '@/db/club-transaction';
import { runtime } from '@/server/runtime';

export const GET = route(async ({ clubId }, _request, { params }: { params: Promise<{ photo: string }> }) => {
  const photo = z.uuid().safeParse((await params).photo);
  const bytes = photo.success ? await inClub(runtime().db, clubId, (tx) => readPhoto(tx, photo.data)) : undefined;
  if (bytes === undefined) return problem(404, 'There is no such picture.');
  return new Response(Buffer.from(bytes), { headers: { 'content-type': 'image/webp', 'content-disposition': 'inline' } });
});
