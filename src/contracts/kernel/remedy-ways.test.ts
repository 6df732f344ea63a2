import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { ACTS as REMEDIES, type Act } from '../../core/rules/parts/constraint';
import { ACTS, type Act as Permitted } from './permissions';
import { REMEDY_WAYS } from './remedy-ways';
import { ROUTES, type Route } from './routes';

const screens = readdirSync('src/screens', { recursive: true, encoding: 'utf8' })
  .filter((name) => /\.tsx?$/u.test(name) && !/\.test\./u.test(name))
  .map((name) => readFileSync(`src/screens/${name}`, 'utf8'))
  .join('\n');
const wayOf = (act: Act): Route => ROUTES[REMEDY_WAYS[act]];

describe('every remedy that a decision can name', () => {
  it('has its way', () => {
    expect(Object.keys(REMEDY_WAYS).sort()).toEqual([...REMEDIES].sort());
  });
  it.each(REMEDIES)('%s: a screen sends it', (act) => {
    expect(screens).toContain(`'${REMEDY_WAYS[act]}'`);
  });
  it.each(REMEDIES)('%s: somebody in the club may', (act) => {
    const { acts } = wayOf(act);
    const allowed: readonly Permitted[] = acts;
    expect(allowed.some((one) => ACTS[one].roles.length > 0)).toBe(true);
  });
});
