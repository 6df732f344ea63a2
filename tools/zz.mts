import { createRoles } from './database/create-roles';
import { migrate } from './database/migrate';
import { readFileSync } from 'node:fs';
const u = JSON.parse(readFileSync('/tmp/w/urls.json','utf8'));
await createRoles(u.superuser, 'groval', u.secrets);
console.log(await migrate(u.owner));
