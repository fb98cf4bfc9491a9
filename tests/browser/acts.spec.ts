import { readFileSync, readdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { ACTS, isInCourse, mayDo, type Act, type Standing } from '@/core/access/acts';
import { enterAs, startAfresh } from './help';
import { expect, test, type APIRequestContext } from './test';

test.beforeAll(() => startAfresh());

const APP = join(process.cwd(), 'src/app');

/** Whom the demo has, and who they are in GEO 115. */
const PEOPLE: [name: string | null, Standing[]][] = [
  [null, []],
  ['Leila Fenwick', ['person']],
  ['Imani Okoro', ['person', 'student']],
  ['Dr. Maren Holt', ['person', 'staff']],
  ['Bastian Grey', ['person', 'staff']],
  ['Philippa Orme', ['person', 'observer']],
  ['Agnes Thorwald', ['person', 'steward']],
];

const NAMES: Record<string, string> = {
  course: 'geo-115',
  week: '6',
  number: '1',
  post: '176',
  id: '00000000-0000-4000-8000-000000000000',
  person: '00000000-0000-4000-8000-000000000000',
  purpose: 'invitation',
  format: 'md',
  form: 'ris',
  file: 'none',
  token: 'none',
};
const slugOf = (path: string) => (path.startsWith('/readings') ? 'geo-room-for-the-river' : 'geo-115-w6');

type Way = { path: string; method: string; act: Act };

/** Every way in that a route file is, with the act it names; the wrappers of one kind name theirs themselves. */
function waysIn(): Way[] {
  return readdirSync(APP, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('route.ts'))
    .flatMap((file) => {
      const source = readFileSync(join(APP, file), 'utf8');
      const path = `/${dirname(file)}`;
      return [
        ...source.matchAll(
          /^export const (GET|POST|PUT|DELETE) = ([\s\S]*?)(?=^export const|$(?![\s\S]))/gmu,
        ),
      ].map(([, method = '', body = '']): Way => {
        const named = Object.keys(ACTS).find((act) => body.includes(`'${act}'`));
        const act =
          named ?? (/steward(?:Form|Upload)/u.test(body) ? 'look after the installation' : 'keep material');
        return { path, method, act: act as Act };
      });
    });
}

/** Every function of ours that a page's form calls by itself, with its text. */
const serverActions = (): [name: string, body: string][] =>
  readdirSync(APP, { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.tsx?$/u.test(file))
    .map((file) => readFileSync(join(APP, file), 'utf8'))
    .filter((source) => source.startsWith("'use server'"))
    .flatMap((source) =>
      [...source.matchAll(/^export async function (\w+)([\s\S]*?)^\}/gmu)].map(
        ([, name = '', body = '']): [string, string] => [name, body],
      ),
    );

test('whatever a form calls by itself names its act as well, or is for who is not signed in', () => {
  const all = serverActions();
  expect(all.length).toBeGreaterThan(18);
  const acts = Object.keys(ACTS);
  for (const [name, body] of all) {
    const act = /acting\(\s*'([^']+)'/u.exec(body)?.[1];
    const guarded =
      (act && acts.includes(act)) || /requireSteward\(|strangerDeps\(|verifyReceipt\(/u.test(body);
    expect([name, Boolean(guarded)]).toEqual([name, true]);
  }
});

const address = (path: string) =>
  path.replace(/\[(\w+)\]/gu, (_, name: string) => (name === 'slug' ? slugOf(path) : (NAMES[name] ?? '')));

type Answer = 'signed-out' | 'nothing-here' | 'let-through';

/** What came back: sent to sign in, told that there is nothing, or let through to whatever the thing itself says. */
async function knock(as: APIRequestContext, { path, method }: Way): Promise<Answer> {
  const answer = await as
    .fetch(address(path), {
      method,
      maxRedirects: 0,
      headers: { 'content-type': 'application/json' },
      ...(method === 'GET' || method === 'DELETE' ? {} : { data: '' }),
      // A stream goes on: that it has begun is all that is asked here.
      timeout: 5_000,
    })
    .catch(() => null);
  if (!answer) return 'let-through';
  if (answer.status() === 401 || /\/sign-in/u.test(answer.headers().location ?? '')) return 'signed-out';
  return answer.status() === 404 ? 'nothing-here' : 'let-through';
}

// Whoever goes through these is another person afterwards.
const CHANGES_WHO = /^\/(?:sign-in|sign-out)/u;

test('every way in lets through whom the table of acts names, and nobody else', async ({
  playwright,
  baseURL,
  page,
}) => {
  test.setTimeout(240_000);
  const ways = waysIn();
  expect(ways.length).toBeGreaterThan(85);
  const wrong: string[] = [];
  for (const [name, standings] of PEOPLE) {
    if (name) await enterAs(page, name, '/clock');
    const as = name ? page.request : await playwright.request.newContext({ baseURL: baseURL ?? '' });
    for (const way of ways) {
      if (CHANGES_WHO.test(way.path) || way.path.endsWith('/live')) continue;
      const found = await knock(as, way);
      const may = mayDo(way.act, standings);
      // What has a number of its own may itself not be there.
      const mayBeGone =
        /\[(?:id|file|token|post)\]|^\/media-site|^\/college\/mark|\/source$|\/exports\/file$/u.test(
          way.path,
        );
      const right = may
        ? found === 'let-through' || (found === 'nothing-here' && mayBeGone)
        : found === (name ? 'nothing-here' : 'signed-out') || (!name && found === 'nothing-here');
      if (!right) wrong.push(`${name ?? 'nobody'}: ${way.method} ${way.path} (${way.act}) was ${found}`);
    }
    if (!name) await as.dispose();
  }
  expect(wrong).toEqual([]);
  expect(ways.filter((w) => isInCourse(w.act)).length).toBeGreaterThan(35);
});
