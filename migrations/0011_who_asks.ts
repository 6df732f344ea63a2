import type { Kysely } from 'kysely';
import { runIn } from './kit';

export { down } from './kit';

/**
 * Who asks, in one question instead of six: the person of a session that still lasts, the clubs that they
 * belong to, and the one that the session works in.
 * It runs with the rights of the person who asks, so the policies of the tables hold as ever; the setting
 * that they read ends with the statement.
 */
const WHO_ASKS = `create function groval.who_asks(the_token text)
returns table (session_id text, person_id text, email text, clubs jsonb, chosen uuid) language plpgsql as $$
declare holder record;
begin
  select s.id as session_id, s."userId" as person_id, u.email, c.club_id as chosen into holder
    from auth.session s join auth."user" u on u.id = s."userId" left join auth.session_club c on c.session_id = s.id
    where s.token = the_token and s."expiresAt" > now();
  if not found then return; end if;
  perform set_config('groval.person', holder.person_id, true);
  return query select holder.session_id, holder.person_id, holder.email, coalesce((
    select jsonb_agg(jsonb_build_object('clubId', m.club_id, 'name', coalesce(x.display_name, m.display_name), 'roles', coalesce(x.roles, m.roles)) order by m.recorded_at, m.club_id)
      from groval.membership m left join lateral (
        select y.display_name, y.roles from groval.membership_change y
          where y.club_id = m.club_id and y.person_id = m.person_id order by y.recorded_at desc, y.change_id desc limit 1) x on true
      where m.person_id = holder.person_id), '[]'::jsonb), holder.chosen;
  perform set_config('groval.person', '', true);
end $$`;

/** Only a function is added: older programs may still run, and do not ask it. */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = await runIn(db, 'groval');
  await run(WHO_ASKS);
  await run(
    'revoke all on function groval.who_asks(text) from public; grant execute on function groval.who_asks(text) to groval_app',
  );
}
