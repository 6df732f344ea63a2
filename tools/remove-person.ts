// npm run remove-person -- EMAIL: removes somebody's account, sessions and addresses from this installation. Records that they made and signed stay, as
// the law asks, under the name by which they were made; every chain stays whole. GROVAL_SUPERUSER_URL is a superuser's connection.
import { Client } from 'pg';

const [email] = process.argv.slice(2);
const url = process.env['GROVAL_SUPERUSER_URL'] ?? '';
const complain = (text: string, code: number): never => {
  process.stderr.write(`${text}\n`);
  process.exit(code);
};
if (email === undefined) complain('usage: npm run remove-person -- somebody@example.org', 2);
if (url === '')
  complain(
    'GROVAL_SUPERUSER_URL is not set. Expected a superuser’s connection to the application’s database.',
    2,
  );
const address = (email ?? '').trim().toLowerCase();
const client = new Client({ connectionString: url });
await client.connect();
try {
  await client.query('begin');
  const { rows: accounts } = await client.query<{ id: string }>(
    'delete from auth."user" where email = $1 returning id',
    [address],
  );
  // What they were told stays; where their browsers are reached does not.
  for (const { id } of accounts)
    await client.query(
      `update groval.push_device set name = '', endpoint = '', p256dh = '', auth = '' where person_id = $1`,
      [id],
    );
  const { rowCount: links } = await client.query(
    'update groval.invitation set email = null where email = $1',
    [address],
  );
  await client.query('commit');
  if (accounts.length === 0 && (links ?? 0) === 0) complain(`Nothing is kept of ${address}.`, 1);
  process.stdout.write(
    `The account of ${address} is removed${(links ?? 0) === 0 ? '' : `, and the address from ${links ?? 0} links`}. Memberships end under Club; what was recorded and signed stays.\n`,
  );
} catch (error) {
  await client.query('rollback');
  throw error;
} finally {
  await client.end();
}
