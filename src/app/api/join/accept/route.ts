import { answer } from '../../refusals';
import { personJsonRoute } from '../../answer';
import { acceptLink } from '@/commands/club/take-up-link';
import { runtime } from '@/server/runtime';

/** Joins a club with the account that one has. */
export const POST = personJsonRoute('POST /api/join/accept', async (person, link) =>
  answer(await acceptLink(runtime().ports, person, link)),
);
