import { problem, route } from '../../answer';
import { inClub } from '@/db/club-transaction';
import { readClub } from '@/db/clubs';
import { archiveName, clubArchive } from '@/queries/club-archive';
import { LISTS, listRows, type ListName } from '@/queries/lists';
import { csvText } from '@/server/file-rows';
import { runtime } from '@/server/runtime';
import { streamed } from '@/server/streamed';

/** Who may take a whole club with them: its archive holds everybody's records. */
const ARCHIVISTS = ['dispatcher', 'safety-officer'];

export const GET = route(async (actor, _request, { params }: { params: Promise<{ list: string }> }) => {
  const { db, ports, log } = runtime();
  const { list } = await params;
  const now = ports.now();
  if (actor.roles.length === 0) return problem(403, 'Only members of the club with a role take its records out.');
  const failed = (error: unknown): never => { log.error({ err: error, list }, 'an export failed'); throw error; };
  if (list === 'club.json') {
    if (!actor.roles.some((role) => ARCHIVISTS.includes(role))) return problem(403, 'Only a dispatcher or the safety officer takes the whole club’s records out.');
    const club = await inClub(db, actor.clubId, (tx) => readClub(tx, actor.clubId));
    return streamed((write) => inClub(db, actor.clubId, async (tx) => { for await (const piece of clubArchive(tx, actor.clubId, now)) await write(piece); }).catch(failed), {
      'content-type': 'application/json; charset=utf-8', 'content-disposition': `attachment; filename="${archiveName(club.name, now)}"`,
    });
  }
  const name = list.replace(/\.csv$/, '');
  if (!list.endsWith('.csv') || !Object.hasOwn(LISTS, name)) return problem(404, `There is no such list. Lists: ${Object.keys(LISTS).join(', ')}.`);
  const columns = LISTS[name as ListName];
  return streamed((write) => inClub(db, actor.clubId, async (tx) => {
    await write(csvText(columns, [], true));
    for await (const rows of listRows(tx, name as ListName, actor, now)) await write(csvText(columns, rows, false));
  }).catch(failed), { 'content-type': 'text/csv; charset=utf-8; header=present', 'content-disposition': `attachment; filename="${list}"` });
});
