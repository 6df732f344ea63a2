import { answer } from '../../refusals';
import { openJsonRoute } from '../../answer';
import { takeUpLink } from '@/commands/club/take-up-link';
import type { AnswerOf } from '@/queries/kernel/answers';
import { runtime } from '@/server/runtime';

/** Chooses a password by a link, once. */
export const POST = openJsonRoute('POST /api/join/take-up', async (entry) =>
  answer<AnswerOf<'POST /api/join/take-up'>>(await takeUpLink(runtime().ports, entry)),
);
