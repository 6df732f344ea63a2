import { queryRoute } from '../../answer';
import { idSchema } from '@/contracts/kernel/scalars';
import { readPhoto } from '@/db/aircraft/aircraft-documents';

export const GET = queryRoute(
  'GET /api/photos/[photo]',
  async ({ tx, params }) => {
    const photo = idSchema().safeParse(params['photo']);
    const bytes = photo.success ? await readPhoto(tx, photo.data) : undefined;
    return bytes === undefined
      ? null
      : new Response(Buffer.from(bytes), {
          headers: { 'content-type': 'image/webp', 'content-disposition': 'inline' },
        });
  },
  'There is no such picture.',
);
