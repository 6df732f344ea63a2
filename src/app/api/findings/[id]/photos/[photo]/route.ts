import { z } from 'zod';
import { answer, problem, route } from '../../../../answer';
import { addPhoto, MOST_PHOTO_BYTES } from '@/commands/add-photo';
import { runtime } from '@/server/runtime';

const idsSchema = z.object({ id: z.uuid(), photo: z.uuid() });

export const PUT = route(async (actor, request, { params }: { params: Promise<{ id: string; photo: string }> }) => {
  const ids = idsSchema.safeParse(await params);
  if (!ids.success) return problem(422, 'This picture does not say which finding it belongs to.');
  const length = request.headers.get('content-length');
  if (length === null) return problem(411, 'This picture does not say how large it is. Take it again, or leave it out. The finding itself is recorded.');
  if (Number(length) > MOST_PHOTO_BYTES) return problem(422, 'This picture is larger than 16 MB. Take it again with a smaller size, or leave it out. The finding itself is recorded.');
  const bytes = new Uint8Array(await request.arrayBuffer());
  return answer(await addPhoto(runtime().ports, actor, { photoId: ids.data.photo, discrepancyId: ids.data.id, bytes }));
});
