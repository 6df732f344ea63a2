import { randomUUID } from 'node:crypto';
import type { NextConfig } from 'next';

// Names this build: pages carry it, and each answer of the server says it. In the environment, since a build reads this file more than
// once.
const PROGRAM = (process.env['GROVAL_PROGRAM'] ??= randomUUID());

/**
 * What a page shows first, asked while its scripts still load: the request must be what `ask` sends, or the
 * browser asks twice. The slow part of a large club's Line is its answer, so the two waits are one.
 */
const EARLY: readonly (readonly [page: string, answer: string])[] = [
  ['/line', '/api/line'],
  ['/aircraft/:registration', '/api/aircraft/:registration'],
  ['/dispatch', '/api/dispatch'],
];

const config: NextConfig = {
  poweredByHeader: false,
  env: { GROVAL_PROGRAM: PROGRAM },
  // Types are checked by `npm test`, once for everything; a build does not check them again.
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: ['pg', 'pino', 'sharp', 'better-auth', 'pg-boss', 'nodemailer'],
  // Pages are static shells whose inline scripts are known at build time, so addresses with a name in them share one shell.
  rewrites: () =>
    Promise.resolve([
      { source: '/aircraft/:registration', destination: '/aircraft' },
      { source: '/ramp/:registration', destination: '/ramp' },
      { source: '/dispatch/:flight', destination: '/dispatch' },
      { source: '/card/:address', destination: '/card' },
      { source: '/document-check/:registration', destination: '/document-check' },
      { source: '/sheet/:registration', destination: '/sheet' },
      { source: '/aircraft-data/:registration', destination: '/aircraft-data' },
      { source: '/records/:registration', destination: '/records' },
    ]),
  headers: () =>
    Promise.resolve([
      {
        source: '/:path*',
        headers: [
          { key: 'X-Content-Type-Options', value: 'nosniff' },
          { key: 'Referrer-Policy', value: 'same-origin' },
          { key: 'X-Frame-Options', value: 'DENY' },
          { key: 'Permissions-Policy', value: 'camera=(self), geolocation=(), microphone=()' },
        ],
      },
      ...EARLY.map(([source, answer]) => ({
        source,
        headers: [{ key: 'Link', value: `<${answer}>; rel=preload; as=fetch; crossorigin=anonymous` }],
      })),
      {
        source: '/api/:path*',
        headers: [
          { key: 'Content-Security-Policy', value: "default-src 'none'; frame-ancestors 'none'" },
          { key: 'Cache-Control', value: 'no-store' },
          { key: 'X-Groval-Program', value: PROGRAM },
        ],
      },
    ]),
};

export default config;
