import { memberRoute } from '../../answer';
import { problem, refusal } from '../../refusals';
import { ACTS, may, type Act } from '@/contracts/kernel/permissions';
import { inClub } from '@/db/kernel/club-transaction';
import type { ClubTransaction } from '@/db/kernel/connection';
import { readClub } from '@/db/club/clubs';
import { archiveName, clubArchive } from '@/queries/exchange/club-archive';
import { LISTS, listRows, NAMES_WHO_FLEW, type ListName } from '@/queries/exchange/lists';
import { csvText } from '@/server/file-rows';
import { runtime } from '@/server/runtime';
import { sendFile, spool } from '@/server/spool';

/** A download that nobody reads on is given up after so long. */
const MAX_IDLE_S = 60;
const TOO_MANY = 'You have several downloads open. Wait until one has ended, then start the next.';

/** A file that is made whole on connections of its own, and sent from the disk: the person who reads slowly holds no connection of the database. */
export const GET = memberRoute('GET /api/export/[list]', async ({ actor, params }) => {
  const { bulk, ports, transfers } = runtime();
  const list = params['list'] ?? '';
  const now = ports.now();
  const whole = list === 'club.json';
  const name = list.replace(/\.csv$/, '');
  if (!whole && (!list.endsWith('.csv') || !Object.hasOwn(LISTS, name)))
    return problem(404, `There is no such list. Lists: ${Object.keys(LISTS).join(', ')}.`);
  const act: Act = whole
    ? 'export-club'
    : NAMES_WHO_FLEW.includes(name as ListName)
      ? 'export-flights'
      : 'export-lists';
  if (!may(actor.roles, act)) return refusal({ code: 'not-entitled', message: ACTS[act].denied });
  const giveBack = transfers.take(actor.personId, actor.clubId);
  if (giveBack === null) return refusal({ code: 'too-many-tries', message: TOO_MANY });
  try {
    let fileName = list;
    const make = async (tx: ClubTransaction, write: (text: string) => Promise<void>) => {
      if (whole) {
        fileName = archiveName((await readClub(tx, actor.clubId)).name, now);
        for await (const piece of clubArchive(tx, actor.clubId, now)) await write(piece);
        return;
      }
      const columns = LISTS[name as ListName];
      await write(csvText(columns, [], true));
      for await (const rows of listRows(tx, name as ListName, actor, now))
        await write(csvText(columns, rows, false));
    };
    const file = await spool((write) => inClub(bulk, actor.clubId, (tx) => make(tx, write)));
    return new Response(sendFile(file, MAX_IDLE_S, giveBack), {
      headers: {
        'cache-control': 'no-store',
        'content-type': whole ? 'application/json; charset=utf-8' : 'text/csv; charset=utf-8; header=present',
        'content-disposition': `attachment; filename="${fileName}"`,
      },
    });
  } catch (error) {
    giveBack();
    throw error;
  }
});
