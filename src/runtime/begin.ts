import { subscribe } from 'node:diagnostics_channel';
import { randomUUID } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';
import type { Socket } from 'node:net';
import { app } from './app';
import { log } from './log';
import { countAnswer, placeOf, serveMetrics } from './metrics';
import { NONCE, PEER, REQUEST } from './peer';
import { isPage, policyFor } from './policy';
import { beginTaste } from './taste';
import { OVER_TLS } from './tls';

const A_YEAR = 'max-age=31536000; includeSubDomains';

/** Answers that took longer are logged. */
const SLOW_MS = 2_000;
const began = new WeakMap<IncomingMessage, number>();

/** What a web process does before it answers anybody. */
export function begin() {
  // What is written here is for this process's user alone.
  process.umask(0o077);
  // A route sees headers and no connection, and every header but this one is the client's own to write.
  subscribe('http.server.request.start', (message) => {
    const { request, response, socket } = message as {
      request: IncomingMessage;
      response: ServerResponse;
      socket: Socket;
    };
    request.headers[PEER] = socket.remoteAddress ?? '';
    request.headers[REQUEST] = randomUUID().slice(0, 8);
    began.set(request, performance.now());
    beginTaste();
    if (OVER_TLS) response.setHeader('Strict-Transport-Security', A_YEAR);
    if (!isPage(request.url ?? '')) return;
    // The framework finds the number in the policy and puts it on what it writes itself; our own script is told of it beside.
    const nonce = randomUUID().replace(/-/gu, '');
    request.headers[NONCE] = nonce;
    request.headers['content-security-policy'] = policyFor(nonce);
    response.setHeader('Content-Security-Policy', policyFor(nonce));
  });
  subscribe('http.server.response.finish', (message) => {
    const { request, response } = message as { request: IncomingMessage; response: ServerResponse };
    const { method = '', url = '', headers } = request;
    const ms = performance.now() - (began.get(request) ?? performance.now());
    countAnswer(url, method, response.statusCode, ms / 1_000);
    if (response.statusCode >= 500 || ms > SLOW_MS)
      log.warn({
        request: headers[REQUEST],
        place: placeOf(url),
        method,
        status: response.statusCode,
        ms: Math.round(ms),
      });
  });
  const { config, db } = app();
  if (config.metricsPort !== null) serveMetrics(config.metricsPort, db);
  app().readers.begin();
}
