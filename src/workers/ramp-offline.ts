import { NetworkOnly, Serwist, type PrecacheEntry } from 'serwist';

/** The ramp's page, its scripts, styles and fonts: put in by the build. */
declare const RAMP_FILES: readonly PrecacheEntry[];

/** Waits no longer than this for the network before the kept page is shown, in milliseconds. */
const PATIENCE_MS = 3000;

/**
 * Keeps the ramp's page on the phone, so that it opens without signal. What it shows and what is entered are the page's own business: nothing of the
 * server's answers is kept here, and nothing outside the ramp is touched.
 */
const serwist: Serwist = new Serwist({
  precacheEntries: [...RAMP_FILES],
  skipWaiting: true,
  clientsClaim: true,
  runtimeCaching: [
    {
      matcher: ({ request, url }) => request.mode === 'navigate' && /^\/ramp(\/|$)/u.test(url.pathname),
      handler: async ({ request }): Promise<Response> => {
        const kept = async () => (await serwist.matchPrecache('/ramp')) ?? Response.error();
        const late = new Promise<Response | null>((resolve) => {
          setTimeout(() => {
            resolve(null);
          }, PATIENCE_MS);
        });
        try {
          return (await Promise.race([fetch(request), late])) ?? (await kept());
        } catch {
          return kept();
        }
      },
    },
    { matcher: ({ url }) => url.pathname.startsWith('/api/'), handler: new NetworkOnly() },
  ],
});

serwist.addEventListeners();
