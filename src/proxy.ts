import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { NextResponse } from 'next/server';

let policy: string | undefined;

/** Only our own scripts, and the inline ones that the build is known to contain. Inline styles are allowed: the components need them. */
function contentSecurityPolicy(): string {
  const development = process.env.NODE_ENV === 'development';
  const hashes = development
    ? ["'unsafe-inline'", "'unsafe-eval'"]
    : (JSON.parse(readFileSync(join(process.cwd(), '.next/script-hashes.json'), 'utf8')) as string[]);
  return [
    "default-src 'self'",
    `script-src 'self' ${hashes.join(' ')}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}

/** Puts the content security policy on every page. */
export function proxy(): NextResponse {
  policy ??= contentSecurityPolicy();
  const response = NextResponse.next();
  response.headers.set('Content-Security-Policy', policy);
  return response;
}

export const config = { matcher: ['/((?!api/|_next/).*)'] };
