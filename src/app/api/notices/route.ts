import { queryRoute } from '../answer';
import { readNoticesPage } from '@/queries/notices/notices';
import { pushKeys } from '@/server/push';
import { runtime } from '@/server/runtime';

export const GET = queryRoute('GET /api/notices', ({ tx, actor, now }) =>
  readNoticesPage(tx, actor, now, {
    mailIsSet: runtime().env.GROVAL_SMTP_URL !== undefined,
    pushKey: pushKeys(runtime().env)?.publicKey ?? null,
  }),
);
