import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Knex } from 'knex';
import type { Doc } from '@/core/document/nodes';
import { documentFromMarkdown } from '@/core/formats/from-markdown';
import { resolveEmbed, withPlayers, type EmbedDeps } from '@/server/embeds/resolve';
import { listedSites, siteList } from '@/server/embeds/sites';
import { titleIn, titleOf } from '@/server/links/title';
import { deps, OPEN, shared, shareInput, smallCourse, text } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
let server: Server;
let port: number;
let asked: string[] = [];
let says: (path: string) => [number, string, string];

beforeAll(async () => {
  world = await smallCourse('embeds');
  db = world.db;
  server = createServer((request, response) => {
    asked.push(request.url ?? '');
    const [status, type, body] = says(request.url ?? '');
    response
      .writeHead(status, { 'content-type': type, ...(status === 302 ? { location: body } : {}) })
      .end(body);
  });
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  port = (server.address() as AddressInfo).port;
});
afterAll(async () => {
  await db.destroy();
  await new Promise((done) => server.close(done));
});
beforeEach(() => (asked = []));

const oembed = (over: object = {}): [number, string, string] => [
  200,
  'application/json',
  JSON.stringify({
    version: '1.0',
    type: 'video',
    title: 'Nine walkers',
    html: '<iframe src="https://player.college.example/p/7?a=1&amp;b=2" onload="x()"></iframe><script>1</script>',
    ...over,
  }),
];
const at = (): EmbedDeps => ({
  ...deps(db, 'Tue 10:00'),
  sites: listedSites(
    siteList.parse([
      {
        name: 'College films',
        hosts: ['films.college.example'],
        oembed: `http://127.0.0.1:${port}/oembed`,
        frames: ['player.college.example'],
      },
    ]),
  ),
});
const FILM = 'https://films.college.example/watch/7';

describe('a site of the college’s list', () => {
  it('is asked once by oEmbed, and its player and title are kept', async () => {
    says = () => oembed();
    const embed = {
      url: FILM,
      site: 'College films',
      title: 'Nine walkers',
      frame: 'https://player.college.example/p/7?a=1&b=2',
    };
    expect(await resolveEmbed(at(), FILM)).toEqual(embed);
    expect(await resolveEmbed(at(), FILM)).toEqual(embed);
    expect(asked).toEqual([`/oembed?format=json&url=${encodeURIComponent(FILM)}`]);
  });

  it.each([
    [
      'has no player from a host the list does not name',
      () => oembed({ html: '<iframe src="https://evil.example/p"></iframe>' }),
    ],
    [
      'has no player without TLS',
      () => oembed({ html: '<iframe src="http://player.college.example/p"></iframe>' }),
    ],
    [
      'has no player with a script for an address',
      () => oembed({ html: '<iframe src="javascript:alert(1)"></iframe>' }),
    ],
    ['has no player within Pulpit', () => oembed({ html: '<iframe src="/media-site/player/x"></iframe>' })],
    [
      'has no player with somebody’s name in its address',
      () => oembed({ html: '<iframe src="https://a:b@player.college.example/p"></iframe>' }),
    ],
    ['says a picture', () => oembed({ type: 'photo' })],
    ['says no JSON', () => [200, 'text/html', '<html>'] as [number, string, string]],
    ['says an error', () => [500, 'text/plain', 'no'] as [number, string, string]],
    [
      'sends elsewhere',
      () => [302, 'text/plain', `http://127.0.0.1:${port}/other`] as [number, string, string],
    ],
    ['never ends', () => oembed({ title: 'x'.repeat(100_000) })],
  ] as const)('that %s leaves the link a link', async (name, answers) => {
    says = answers;
    expect(await resolveEmbed(at(), `${FILM}?${encodeURIComponent(name)}`)).toBeNull();
    expect(asked).toHaveLength(1);
  });

  it('that is taken off the list plays no more, and no other site is asked anything', async () => {
    expect(await resolveEmbed({ ...at(), sites: [] }, FILM)).toBeNull();
    expect(await resolveEmbed(at(), 'https://evil.example/watch/7')).toBeNull();
    expect(asked).toEqual([]);
  });
});

it('a text plays only what a site was asked about, under the site’s own title; anything else is a link', async () => {
  const doc: Doc = {
    type: 'doc',
    content: [
      ...text('Look at this.').content,
      { type: 'embed', attrs: { url: FILM, title: 'Forged', site: 'Your bank' } },
      { type: 'embed', attrs: { url: 'https://evil.example/watch/7', title: 'Win', site: 'College films' } },
    ],
  };
  const { post } = await shared(db, world.people.imani, OPEN, 'Tue 11:00', { ...shareInput(''), doc });
  const version = await db('post_versions').where({ post_id: post }).first('doc');
  expect(version.doc.content.slice(1)).toEqual([
    { type: 'embed', attrs: { url: FILM, title: 'Nine walkers', site: 'College films' } },
    {
      type: 'paragraph',
      content: [
        {
          type: 'text',
          text: 'Win',
          marks: [{ type: 'link', attrs: { href: 'https://evil.example/watch/7' } }],
        },
      ],
    },
  ]);
});

it('a link of a listed site that stands alone in a reading is its player there', async () => {
  const reading = documentFromMarkdown(
    `Watch this:\n\n${FILM}\n\n[The film](${FILM}) and more.\n\nhttps://evil.example/watch/7`,
  );
  const { content } = await withPlayers(at(), reading);
  expect(content.map((n) => n.type)).toEqual(['paragraph', 'embed', 'paragraph', 'paragraph']);
});

describe('the title of a pasted link', () => {
  const near = { resolve: async () => ['127.0.0.1'], mayAsk: () => true };
  it('is the page’s', async () => {
    says = (path) =>
      path === '/moved'
        ? [302, 'text/plain', '/page']
        : [
            200,
            'text/html; charset=utf-8',
            '<html><head><title>\n The &amp; wall\u0007 </title></head><body><title>no</title>',
          ];
    expect(await titleOf(`http://127.0.0.1:${port}/moved`, near)).toBe('The & wall');
  });
  it('is none of what is no page, and nothing private is ever asked', async () => {
    says = () => [200, 'application/json', '{"title":"x"}'];
    expect(await titleOf(`http://127.0.0.1:${port}/x`, near)).toBeNull();
    asked = [];
    for (const url of [
      `http://127.0.0.1:${port}/`,
      'http://localhost/',
      'http://169.254.169.254/',
      'file:///etc/passwd',
    ])
      expect(await titleOf(url)).toBeNull();
    expect(asked).toEqual([]);
    expect(titleIn('<svg><title>drawing</title></svg>')).toBeNull();
    expect(titleIn(`<title>${'x'.repeat(900)}</title>`)).toHaveLength(200);
  });
});
