import { existsSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { ROUTES } from '@/contracts/kernel/routes';
import config from '../next.config';

describe('answers that the browser asks while the scripts load', async () => {
  const early = ((await config.headers?.()) ?? []).flatMap(({ source, headers }) =>
    headers
      .filter(({ key }) => key === 'Link')
      .map(({ value }) => ({ source, address: /^<([^>]+)>/.exec(value)?.[1] ?? '', value })),
  );
  it('are some', () => {
    expect(early.length).toBeGreaterThan(0);
  });
  it.each(early)(
    'of $source are those of a route and a page that are there',
    ({ source, address, value }) => {
      expect(Object.keys(ROUTES)).toContain(`GET ${address.replaceAll(/:(\w+)/g, '[$1]')}`);
      expect(existsSync(`src/app${source.replace(/\/:\w+$/, '')}/page.tsx`)).toBe(true);
      // As `fetch` asks: else the browser would ask twice.
      expect(value).toMatch(/; rel=preload; as=fetch; crossorigin=anonymous$/);
    },
  );
});
