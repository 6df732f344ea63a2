import { answer } from '../../refusals';
import { personJsonRoute } from '../../answer';
import { changeOwnPassword } from '@/commands/club/own-password';
import { runtime } from '@/server/runtime';

/** Changes one's own password; every other session of that person ends. */
export const POST = personJsonRoute('POST /api/me/password', async (person, entry) =>
  answer(await changeOwnPassword(runtime().ports, person, entry)),
);
