import { memberRoute } from '../../../answer';
import { problem } from '../../../refusals';
import { inClub } from '@/db/kernel/club-transaction';
import { deferralView } from '@/queries/findings/deferral';
import { placard } from '@/server/placard';
import { runtime } from '@/server/runtime';

/** The placard of a deferred item, to print on a label. */
export const GET = memberRoute('GET /api/deferrals/[finding]/placard', async ({ actor, params }) => {
  const { ports } = runtime();
  const view = await inClub(ports.db, actor.clubId, (tx) =>
    deferralView(tx, actor, params['finding'] ?? '', ports.now()),
  );
  if (view?.deferred == null)
    return problem(404, 'This item is not deferred, so it has no placard. Open the aircraft’s page again.');
  const made = await placard(view.registration, view.deferred.placard);
  if (made === null)
    return problem(
      400,
      'The words are too long for a label of 62 by 29 mm. Write the placard by hand; the wording stands on the aircraft’s page.',
    );
  return new Response(Buffer.from(made), {
    headers: {
      'cache-control': 'no-store',
      'content-type': 'application/pdf',
      'content-disposition': `attachment; filename="placard-${view.registration}.pdf"`,
    },
  });
});
