import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { OTHER_KINDS } from '../src/db/aircraft/other-kinds';
import { ACT_NAMES, ACTS, may, RECORDS_THAT_OPEN } from '../src/contracts/kernel/permissions';
import { ROLES } from '../src/contracts/club/roles';
import { ROUTE_NAMES, ROUTES, type Route } from '../src/contracts/kernel/routes';

/** Every method of every route file, as `GET /api/line`, with the text of its file. */
const FILES = readdirSync('src/app/api', { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('route.ts'))
  .flatMap((file) => {
    const text = readFileSync(join('src/app/api', file), 'utf8');
    const path = `/api/${file.replace(/\/?route\.ts$/, '')}`;
    return [...text.matchAll(/export (?:const|async function|function) (GET|POST|PUT|PATCH|DELETE)\b/g)].map(
      (found) => ({ name: `${found[1] ?? ''} ${path}`, text }),
    );
  });

describe('the table of routes', () => {
  it('names exactly the routes that there are', () => {
    expect(FILES.length).toBeGreaterThan(60);
    expect(FILES.map(({ name }) => name).sort()).toEqual([...ROUTE_NAMES].sort());
  });
  it.each(FILES)('makes $name', ({ name, text }) => {
    // The name of the table is what lets people in, and says how much may be sent: no route is made without it.
    expect(text).toContain(`'${name}'`);
    expect(text).not.toMatch(/request\.(json|text|arrayBuffer|formData|blob)\(/);
  });
  it.each(ROUTE_NAMES.map((name) => [name] as const))('%s takes no more than its limit says', (name) => {
    const { body, access, acts }: Route = ROUTES[name];
    if (name.startsWith('GET')) expect(body.kind).toBe('none');
    else expect(body.kind === 'none' ? 0 : body.maxBytes).toBeGreaterThan(0);
    if (body.kind === 'json') expect(body.maxBytes).toBeLessThanOrEqual(128 * 1024);
    if (!name.startsWith('GET') && access === 'member' && !name.endsWith('/preview'))
      expect(acts.length).toBeGreaterThan(0);
  });
  it('every JSON body is a schema that takes no field too many', () => {
    const strict = ROUTE_NAMES.flatMap((name) => {
      const { body }: Route = ROUTES[name];
      return body.kind === 'json'
        ? [
            [
              name,
              JSON.stringify(z.toJSONSchema(body.schema, { io: 'input', unrepresentable: 'any' })).includes(
                '"additionalProperties":false',
              ),
            ] as const,
          ]
        : [];
    });
    expect(strict.length).toBeGreaterThan(30);
    expect(strict.filter(([, is]) => !is)).toEqual([]);
  });
});

describe('the table of permissions', () => {
  it.each(ACT_NAMES.map((name) => [name] as const))(
    '%s has somebody who may, and a sentence for everybody else',
    (name) => {
      const { roles, denied, does } = ACTS[name];
      expect(roles.length).toBeGreaterThan(0);
      expect([denied.endsWith('.'), does.length > 5]).toEqual([true, true]);
      for (const role of ROLES) expect(may([role], name)).toBe((roles as readonly string[]).includes(role));
      expect(may([], name)).toBe(false);
    },
  );
  it('somebody without a certificate or desk role opens by routine conditions or a signature alone', () => {
    const members = ACT_NAMES.filter((name) => may(['renter', 'student'], name)).map((name) => [
      name,
      ACTS[name].opens,
    ]);
    expect(members).toEqual([
      ['report-finding', 'nothing'],
      ['manage-own-notices', 'nothing'],
      ['add-photo', 'nothing'],
      ['check-documents', 'routine'],
      ['do-walk-round', 'routine'],
      ['do-run-up', 'routine'],
      ['do-rigging', 'signed'],
      ['record-taken-apart', 'nothing'],
      ['record-announced', 'routine'],
      ['read-meters', 'routine'],
      ['see-release', 'routine'],
      ['sign-daily-inspection', 'signed'],
      ['plan-flight', 'nothing'],
      ['export-lists', 'nothing'],
    ]);
  });
  it('says of every kind of record who may open with it', () => {
    const tables = [
      'document_sighting',
      'inspection',
      'meter_reading',
      'discrepancy',
      'rectification',
      'strike',
      'aircraft_description',
      'walkround',
      'walkround_event',
      'walkround_end',
      'walkround_method',
      'flight_release',
      'flight_release_end',
    ];
    expect(Object.keys(RECORDS_THAT_OPEN).sort()).toEqual([...tables, ...OTHER_KINDS].sort());
  });
});
