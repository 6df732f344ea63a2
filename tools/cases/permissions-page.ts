import { ROLES } from '../../src/contracts/club/roles';
import { ACT_NAMES, ACTS, RECORDS_THAT_OPEN, type Opens } from '../../src/contracts/kernel/permissions';
import { ROUTE_NAMES, ROUTES, type Route } from '../../src/contracts/kernel/routes';

const OPENS: Readonly<Record<Opens, string>> = {
  nothing: 'never',
  routine: 'a routine condition',
  signed: 'by a signature',
  stated: 'by a statement',
  waits: 'once vouched for',
};

const size = (bytes: number): string =>
  bytes >= 1024 * 1024 ? `${bytes / 1024 / 1024} MB` : `${Math.ceil(bytes / 1024)} kB`;

function bodyText({ body }: Route): string {
  return body.kind === 'none'
    ? '–'
    : `${body.kind === 'json' ? 'JSON' : body.kind === 'file' ? 'a file' : 'bytes'}, at most ${size(body.maxBytes)}`;
}

/** Who may do what, by the table that the application itself asks. */
export function permissionsPage(): string {
  const acts = ACT_NAMES.map((name) => {
    const { does, roles, opens } = ACTS[name];
    const allowed: readonly string[] = roles;
    return `| ${does} | ${ROLES.map((role) => (allowed.includes(role) ? '●' : '')).join(' | ')} | ${OPENS[opens]} |`;
  });
  const records = Object.entries(RECORDS_THAT_OPEN).map(
    ([kind, who]) => `| ${kind.replaceAll('_', ' ')} | ${who} |`,
  );
  const routes = ROUTE_NAMES.map((name) => {
    const route: Route = ROUTES[name];
    return `| \`${name}\` | ${route.access} | ${route.acts.map((act) => ACTS[act].does).join('; or ') || '–'} | ${bodyText(route)} |`;
  });
  return [
    '# Who may do what',
    '',
    'Written by `npm run schemas` from `src/contracts/kernel/permissions.ts` and `src/contracts/kernel/routes.ts`, which the application itself asks.',
    '',
    '## Acts by role',
    '',
    'The last column says how an act may make an aircraft available for more than it was. A role permits the act; a certificate permits a signature besides.',
    '',
    `| act | ${ROLES.map((role) => role.replace('-', ' ')).join(' | ')} | may open |`,
    `|---|${ROLES.map(() => ':-:').join('|')}|---|`,
    ...acts,
    '',
    '## Who may open with which record',
    '',
    '| record | who makes an aircraft available for more with it |',
    '|---|---|',
    ...records,
    '',
    '## Routes',
    '',
    '| route | let in | needs the act | takes |',
    '|---|---|---|---|',
    ...routes,
    '',
  ].join('\n');
}
