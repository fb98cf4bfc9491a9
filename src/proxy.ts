import { NextResponse, type NextRequest } from 'next/server';
import { NONCE } from './runtime/peer';
import { OVER_TLS } from './runtime/tls';

const A_YEAR = 'max-age=31536000; includeSubDomains';

/** What a page of ours may load and run: what comes from here, and scripts in it only with the number of this one answer. */
const policy = (nonce: string) =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}'`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "media-src 'self' blob:",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');

/** Gives each answer a number of its own that its scripts carry, and no other script has. */
export function proxy(request: NextRequest) {
  const nonce = crypto.randomUUID().replace(/-/gu, '');
  const said = policy(nonce);
  const headers = new Headers(request.headers);
  headers.set(NONCE, nonce);
  // The framework reads it here, and puts the number on what it writes itself.
  headers.set('Content-Security-Policy', said);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('Content-Security-Policy', said);
  if (OVER_TLS) response.headers.set('Strict-Transport-Security', A_YEAR);
  return response;
}

// What people brought here, and players, have a policy of their own; what is built is not a page.
export const config = {
  matcher: '/((?!_next/|attachments/|files/|embeds/|media-site/|recordings/|health|ready).*)',
};
