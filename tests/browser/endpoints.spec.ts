import * as conversation from '@/contract/conversation';
import { addressOf, type Method } from '@/contract/endpoint';
import * as files from '@/contract/files';
import * as find from '@/contract/find';
import * as links from '@/contract/links';
import * as notices from '@/contract/notices';
import * as proofreading from '@/contract/proofreading';
import * as readings from '@/contract/readings';
import * as sources from '@/contract/sources';
import * as writing from '@/contract/writing';
import type { APIRequestContext } from './test';
import { enterAs, startAfresh } from './help';
import { expect, test } from './test';

test.beforeAll(() => startAfresh());

type Described = { method: Method; path: string; input: unknown; most: number };
const isEndpoint = (x: unknown): x is Described =>
  typeof x === 'object' && x !== null && 'method' in x && 'path' in x && 'most' in x;

/** Every endpoint of the contract. */
const ALL = [conversation, files, find, links, notices, proofreading, readings, sources, writing]
  .flatMap((module): unknown[] => Object.values(module))
  .filter(isEndpoint);
const NAMES = {
  slug: 'geo-115-w6',
  post: 1,
  id: '00000000-0000-4000-8000-000000000000',
  course: 'geo-115',
  format: 'md',
};
const takesBody = ({ method, input }: Described) => input !== null && (method === 'POST' || method === 'PUT');

const asked = (
  as: APIRequestContext,
  { method, path }: Described,
  how: { data?: string; headers?: Record<string, string> } = {},
) =>
  as.fetch(addressOf(path, path.startsWith('/readings') ? { ...NAMES, slug: 'geo-chapter-1' } : NAMES), {
    method,
    ...how,
    headers: { 'content-type': 'application/json', ...how.headers },
    maxRedirects: 0,
  });
const told = async (answer: Awaited<ReturnType<typeof asked>>) => [
  answer.status(),
  ((await answer.json()) as { code?: string }).code,
];

test('every endpoint refuses what does not come from our own pages, and whoever is not signed in', async ({
  request,
}) => {
  expect(ALL.length).toBeGreaterThan(30);
  for (const endpoint of ALL) {
    const name = `${endpoint.method} ${endpoint.path}`;
    const foreign = await asked(request, endpoint, { headers: { 'sec-fetch-site': 'cross-site' } });
    expect(await told(foreign), name).toEqual([403, 'foreign']);
    expect(await told(await asked(request, endpoint)), name).toEqual([401, 'signed-out']);
  }
});

test('every endpoint that is sent something refuses what is too large or cannot be read', async ({
  page,
}) => {
  // Of the staff, who may do everything that is asked here.
  await enterAs(page, 'Dr. Maren Holt');
  for (const endpoint of ALL.filter(takesBody)) {
    const name = `${endpoint.method} ${endpoint.path}`;
    const large = await asked(page.request, endpoint, { data: `"${'x'.repeat(endpoint.most)}"` });
    expect(await told(large), name).toEqual([413, 'too-large']);
    for (const data of ['', '{', '7', '[]'])
      expect(await told(await asked(page.request, endpoint, { data })), `${name}: ${data}`).toEqual([
        422,
        'malformed',
      ]);
  }
});
