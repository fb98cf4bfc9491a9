import { subscribe } from 'node:diagnostics_channel';
import type { IncomingMessage } from 'node:http';
import type { Socket } from 'node:net';
import { app } from './app';
import { PEER } from './peer';

/** What a web process does before it answers anybody. */
export function begin() {
  // A route sees headers and no connection, and every header but this one is the client's own to write.
  subscribe('http.server.request.start', (message) => {
    const { request, socket } = message as { request: IncomingMessage; socket: Socket };
    request.headers[PEER] = socket.remoteAddress ?? '';
  });
  app().readers.begin();
}
