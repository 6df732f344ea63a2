import { z } from 'zod';
import { answer, body, problem, refusal } from '../../answer';
import { takeBoxReadings } from '@/commands/meter-boxes';
import { boxReadingsSchema } from '@/contracts/meter-box';
import { runtime } from '@/server/runtime';

/** A meter box has no session and no browser: its key says which it is, and it may send readings and nothing else. */
export async function POST(request: Request): Promise<Response> {
  const { ports, log } = runtime();
  const key = /^Bearer ([0-9a-f-]{36})\.([0-9a-f]{64})$/.exec(request.headers.get('authorization') ?? '');
  const club = z.uuid().safeParse(key?.[1]);
  if (key === null || !club.success) return problem(401, 'Send the box’s key: Authorization: Bearer, a space, and the key as it was shown when the box was fitted.');
  const sent = await body(request, boxReadingsSchema);
  if (!sent.ok) return refusal(sent.refusal);
  try {
    return answer(await takeBoxReadings(ports, club.data, key[2] ?? '', sent.value));
  } catch (error) {
    log.error({ err: error }, 'readings of a box failed');
    return problem(503, 'Groval could not take the readings just now. Send them again; each is taken once.');
  }
}
