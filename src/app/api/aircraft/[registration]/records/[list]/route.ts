import { problem, refusal } from '../../../../refusals';
import { queryRoute } from '../../../../answer';
import { asksForNames, listWantedOf } from '@/contracts/aircraft/list-wanted';
import { ACTS, may } from '@/contracts/kernel/permissions';
import { longList } from '@/queries/aircraft/long-list';

/** A page of what is on record: flights, readings, work. */
export const GET = queryRoute(
  'GET /api/aircraft/[registration]/records/[list]',
  async ({ tx, actor, params, request }) => {
    const wanted = listWantedOf(params['list'] ?? '', new URL(request.url).searchParams);
    if (wanted === null)
      return problem(422, 'There is no such list, or it cannot be shown in that way. Open it again.');
    const names = may(actor.roles, 'export-flights');
    if (!names && asksForNames(wanted))
      return refusal({ code: 'not-entitled', message: ACTS['export-flights'].denied });
    return longList(tx, actor.clubId, params['registration'] ?? '', wanted, {
      numbers: may(actor.roles, 'see-certificates'),
      names,
    });
  },
  'The club has no such aircraft. Choose one from the Line.',
);
