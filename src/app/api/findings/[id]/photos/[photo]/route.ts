import { z } from 'zod';
import { answer, problem } from '../../../../refusals';
import { memberRoute } from '../../../../answer';
import { addPhoto, MAX_PHOTO_BYTES } from '@/commands/findings/add-photo';
import { idSchema } from '@/contracts/kernel/scalars';
import { runtime } from '@/server/runtime';
import { readWithin } from '@/server/spool';

const idsSchema = z.object({ id: idSchema(), photo: idSchema() });

/** A picture of a finding, or of a record that waits for somebody to vouch for it. */
export const PUT = memberRoute(
  'PUT /api/findings/[id]/photos/[photo]',
  async ({ actor, request, params }) => {
    const ids = idsSchema.safeParse(params);
    if (!ids.success) return problem(422, 'This picture does not say what it belongs to.');
    const bytes = await readWithin(request, MAX_PHOTO_BYTES);
    return answer(
      await addPhoto(runtime().ports, actor, { photoId: ids.data.photo, of: ids.data.id, bytes }),
    );
  },
);
