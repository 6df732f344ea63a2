// npm run migrate: brings the tables up to date. GROVAL_OWNER_URL is the connection of the role groval_owner.
import { migrate } from './database/migrate';

const url = process.env['GROVAL_OWNER_URL'];
if (url === undefined || url === '') {
  process.stderr.write(
    'GROVAL_OWNER_URL is not set. Expected the connection of the database’s owner, such as postgres://groval_owner:…@db.example:5432/groval\n',
  );
  process.exit(2);
}
const ran = await migrate(url);
process.stdout.write(ran.length === 0 ? 'The tables are up to date.\n' : `Done: ${ran.join(', ')}\n`);
