import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { ACTS as REMEDIES, type Act } from '../../core/rules/parts/constraint';
import { ACTS, type Act as Permitted } from './permissions';
import { NOWHERE_YET, REMEDY_WAYS } from './remedy-ways';
import { ROUTES, type Route } from './routes';

const screens = readdirSync('src/screens', { recursive: true, encoding: 'utf8' })
  .filter((name) => /\.tsx?$/u.test(name) && !/\.test\./u.test(name))
  .map((name) => readFileSync(`src/screens/${name}`, 'utf8'))
  .join('\n');
const done = REMEDIES.filter((act) => REMEDY_WAYS[act] !== NOWHERE_YET);
const wayOf = (act: Act): Route => {
  const way = REMEDY_WAYS[act];
  if (way === NOWHERE_YET) throw new Error(`${act} is done nowhere yet`);
  return ROUTES[way];
};

describe('every remedy that a decision can name', () => {
  it('has its way, or is known to have none yet', () => {
    expect(Object.keys(REMEDY_WAYS).sort()).toEqual([...REMEDIES].sort());
    expect(REMEDIES.filter((act) => REMEDY_WAYS[act] === NOWHERE_YET)).toEqual([
      'release-after-work',
      'fly-check-flight',
      'inspect-independently',
      'complete-work-entry',
      'have-trend-looked-at',
    ]);
  });
  it.each(done)('%s: a screen sends it', (act) => {
    expect(screens).toContain(`'${REMEDY_WAYS[act]}'`);
  });
  it.each(done)('%s: somebody in the club may', (act) => {
    const { acts } = wayOf(act);
    const allowed: readonly Permitted[] = acts;
    expect(allowed.some((one) => ACTS[one].roles.length > 0)).toBe(true);
  });
});
