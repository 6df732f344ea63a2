// npm run db:roles: makes the two roles, the database and its schemas, once, as a superuser of the database server.
import { createRoles } from './database/create-roles';

const names = ['GROVAL_SUPERUSER_URL', 'GROVAL_OWNER_PASSWORD', 'GROVAL_APP_PASSWORD'] as const;
const missing = names.filter((name) => (process.env[name] ?? '') === '');
if (missing.length > 0) {
  process.stderr.write(
    `Not set: ${missing.join(', ')}. GROVAL_SUPERUSER_URL is a superuser’s connection to the database postgres; the passwords are those that the two roles shall have.\n`,
  );
  process.exit(2);
}
const database = process.env['GROVAL_DATABASE'] ?? 'groval';
await createRoles(process.env['GROVAL_SUPERUSER_URL'] ?? '', database, {
  owner: process.env['GROVAL_OWNER_PASSWORD'] ?? '',
  app: process.env['GROVAL_APP_PASSWORD'] ?? '',
});
process.stdout.write(`Roles groval_owner and groval_app and the database ${database} are there.\n`);
