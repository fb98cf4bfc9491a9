import { once } from 'node:events';
import { Agent, createServer, get, type IncomingMessage, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { lastAnswers } from './last-answers';

let server: Server;
afterEach(() => server.closeAllConnections());

it('a server that ends while it answers has ended with that answer, however long connections rest', async () => {
  const end = lastAnswers();
  let answer = () => {};
  server = createServer((_, response) => {
    answer = () => response.end('whole');
  });
  // Longer than a test may take.
  server.keepAliveTimeout = 600_000;
  server.listen(0, '127.0.0.1');
  await once(server, 'listening');
  const asking = get({
    port: (server.address() as AddressInfo).port,
    host: '127.0.0.1',
    agent: new Agent({ keepAlive: true }),
  });
  await once(server, 'request');
  const closed = once(server, 'close');
  server.close();
  end();
  answer();
  const [got] = (await once(asking, 'response')) as [IncomingMessage];
  expect((await got.toArray()).join('')).toBe('whole');
  await closed;
});
