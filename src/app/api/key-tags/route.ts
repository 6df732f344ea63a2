import { memberRoute } from '../answer';
import { problem, refusal } from '../refusals';
import { LABEL_SHEET_IDS, LABEL_SHEETS, MOST_LABELS } from '@/contracts/aircraft/label-sheets';
import { inClub } from '@/db/kernel/club-transaction';
import { tagsOf } from '@/queries/aircraft/key-tags';
import { keyTags } from '@/server/key-tags';
import { runtime } from '@/server/runtime';

/** Key tags to print, of all aircraft or of one. */
export const GET = memberRoute('GET /api/key-tags', async ({ actor, request }) => {
  const { ports, env, transfers } = runtime();
  const asked = new URL(request.url).searchParams;
  const sheet = LABEL_SHEET_IDS.find((id) => id === (asked.get('sheet') ?? 'a4-24'));
  if (sheet === undefined)
    return problem(400, `There is no such sheet of labels. Sheets: ${LABEL_SHEET_IDS.join(', ')}.`);
  const tags = await inClub(ports.db, actor.clubId, (tx) =>
    tagsOf(tx, asked.get('aircraft'), env.GROVAL_URL),
  );
  if (tags.length === 0) return problem(404, 'The club has no such aircraft. Choose one from the list.');
  if (tags.length > MOST_LABELS)
    return problem(400, `At most ${MOST_LABELS} tags are made at once. Choose one aircraft at a time.`);
  // A code takes milliseconds to draw, and a fleet has many: so many at once of one person, as of other files.
  const giveBack = transfers.take(actor.personId, actor.clubId);
  if (giveBack === null)
    return refusal({
      code: 'too-many-tries',
      message: 'You have several downloads open. Wait until one has ended, then start the next.',
    });
  try {
    return new Response(Buffer.from(await keyTags(tags, LABEL_SHEETS[sheet])), {
      headers: {
        'cache-control': 'no-store',
        'content-type': 'application/pdf',
        'content-disposition': 'attachment; filename="key-tags.pdf"',
      },
    });
  } finally {
    giveBack();
  }
});
