import { createServer } from 'node:http';
import type { Knex } from 'knex';
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';
import { mailState } from '@/db/queries/mails';

const registry = new Registry();

/** How long answers took, by the first part of the address (which holds nobody's name or key) and how they ended. */
const answers = new Histogram({
  name: 'pulpit_answer_seconds',
  help: 'Time from a request to the end of its answer.',
  labelNames: ['place', 'method', 'status'],
  buckets: [0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10],
  registers: [registry],
});

const PLACES = new Set(
  'account announcements attachments begin calendar clock courses discussions embeds feeds files find formats health invitation keys links mailbox outside password readings ready receipts recordings settings sign-in sign-out stewards verify _next'.split(
    ' ',
  ),
);

/** The first part of an address; whatever is none of ours is one, so that nobody can make endless many. */
export function placeOf(url: string): string {
  const first = /^\/([^/?]*)/u.exec(url)?.[1] ?? '';
  return first === '' ? '/' : PLACES.has(first) ? `/${first}` : 'elsewhere';
}

export function countAnswer(url: string, method: string, status: number, seconds: number) {
  answers.observe({ place: placeOf(url), method, status: `${Math.floor(status / 100)}xx` }, seconds);
}

/** Serves what is counted, as Prometheus reads it, on a port of this machine alone. */
export function serveMetrics(port: number, db: Knex) {
  collectDefaultMetrics({ register: registry });
  new Gauge({
    name: 'pulpit_mails_waiting',
    help: 'Mails that are to leave and have not.',
    registers: [registry],
    async collect() {
      this.set((await mailState(db).catch(() => ({ waiting: Number.NaN }))).waiting);
    },
  });
  const server = createServer((request, response) => {
    if (request.url !== '/metrics') {
      response.writeHead(404).end();
      return;
    }
    void registry.metrics().then(
      (text) => response.writeHead(200, { 'content-type': registry.contentType }).end(text),
      () => response.writeHead(500).end(),
    );
  });
  server.listen(port, '127.0.0.1');
  server.unref();
}
