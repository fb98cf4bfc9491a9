import { subscribe } from 'node:diagnostics_channel';
import type { Server } from 'node:http';

/**
 * Connections rest after an answer, for the next request to use them. Once what this gives is called, an answer is the last of its
 * connection, so that a server which ends has ended with its last answer. Of the servers that this process has begun is known who was asked.
 */
export function lastAnswers(): () => void {
  const servers = new Set<Server>();
  subscribe('http.server.request.start', (asked) => servers.add((asked as { server: Server }).server));
  return () => {
    // None at all would be without an end.
    for (const server of servers) server.keepAliveTimeout = 1;
  };
}
