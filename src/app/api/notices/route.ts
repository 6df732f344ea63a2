import { queryRoute } from '../answer';
import { readNoticesPage } from '@/queries/notices/notices';
import { runtime } from '@/server/runtime';

export const GET = queryRoute('GET /api/notices', ({ tx, actor, now }) =>
  readNoticesPage(tx, actor, now, runtime().env.GROVAL_SMTP_URL !== undefined),
);
