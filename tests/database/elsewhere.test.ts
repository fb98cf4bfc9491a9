import type { Knex } from 'knex';
import type { Fields } from '@/core/outside/fields';
import { conversation } from '@/server/discussions/conversation';
import { responseRoom } from '@/server/discussions/response-room';
import { confirmIntake } from '@/server/outside/confirm';
import { foundPage, putNewer, sayOfBlocks } from '@/server/outside/found';
import { newerCopy, takeNewer } from '@/server/outside/newer';
import { takeIn } from '@/server/outside/take-in';
import { deps, OPEN, smallCourse } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('elsewhere');
  db = world.db;
});
afterAll(() => db.destroy());

const FIELDS: Fields = {
  title: 'Whose noise?',
  course: 'SOC 118 Living Close',
  zone: 'UTC',
  responseDue: '2026-10-15T23:59',
  repliesDue: '2026-10-18T23:59',
  late: 'refused',
  'response.words.min': '5',
  'replies.count': '1',
  'replies.words.min': '3',
};
const post = (who: string, at: string, text: string, below = '') =>
  `<li><p><b>${who}</b>, ${at}</p><p>${text}</p>${below ? `<ul>${below}</ul>` : ''}</li>`;
const page = (posts: string) =>
  `<title>Whose noise? | SOC 118 Living Close</title><h1>Whose noise?</h1><p>Listen for ten minutes and say which sound you would stop, and who should have the right to. Five words.</p><ul>${posts}</ul>`;
const file = (name: string, content: string) => ({ name, bytes: Buffer.from(content), cut: false });
const given = (...files: ReturnType<typeof file>[]) => ({ text: '', html: '', files });
const READ = { get: () => null };

const FIRST = page(
  post(
    'Grace Adeyemi',
    '12 Oct 2026, 09:00',
    'A drone. Nobody should have the right to stop it.',
    post('Imani Okoro', '12 Oct 2026, 11:30', 'Is it the noise that you mind, or that it looks in?'),
  ) +
    post(
      'Imani Okoro',
      '12 Oct 2026, 10:00',
      'Bells, at six, at noon and at six again, ninety seconds each.',
    ),
);

async function brought(when = 'Tue 10:00') {
  const taken = await takeIn(deps(db, when), world.people.imani, given(file('noise.html', FIRST)));
  if (!taken.ok) throw new Error(taken.failure.code);
  return taken.value;
}
async function confirmed() {
  const { id } = await brought();
  const made = await confirmIntake(deps(db, 'Tue 10:05'), world.people.imani, id, FIELDS);
  if (!made.ok) throw new Error(JSON.stringify(made.failure));
  return made.value.slug;
}
const talk = async (slug: string) => {
  const found = await conversation(deps(db, 'Tue 12:00'), world.people.imani, slug, {
    post: null,
    filter: 'all',
    by: null,
    person: null,
    as: 'time',
    newestFirst: false,
    page: null,
    words: '',
  });
  if (!found.ok) throw new Error('not found');
  return found.value.posts.map(
    (p) => `${p.author.name}${p.to ? ` to ${p.to}` : ''}${p.unread ? ', unread' : ''}`,
  );
};

describe('a discussion from elsewhere', () => {
  it('is nobody’s to look through but whose it is', async () => {
    const { id, posts } = await brought();
    expect(posts).toBe(3);
    expect(await foundPage(deps(db, 'Tue 10:00'), world.people.imani, id)).toMatchObject({ ok: true });
    for (const other of [world.people.noor, world.people.holt])
      for (const done of [
        await foundPage(deps(db, 'Tue 10:00'), other, id),
        await sayOfBlocks(deps(db, 'Tue 10:00'), other, id, READ, 'keep'),
        await putNewer(deps(db, 'Tue 10:00'), other, id),
      ])
        expect(done).toEqual({ ok: false, failure: { code: 'not-found' } });
  });

  it('has the posts of its page, and its student’s own count from when they were posted there', async () => {
    const slug = await confirmed();
    expect(await talk(slug)).toEqual(['Grace Adeyemi', 'Imani Okoro', 'Imani Okoro to Grace Adeyemi']);
    const room = await responseRoom(deps(db, 'Tue 12:00'), world.people.imani, slug);
    if (!room.ok) throw new Error('not found');
    expect(room.value.head.ledger?.complete).toBe(true);
    expect(room.value.head.ledger?.verdicts.map((v) => new Date(v.at).toISOString())).toEqual([
      '2026-10-12T10:00:00.000Z',
      '2026-10-12T11:30:00.000Z',
    ]);
  });

  it('takes from a newer copy what is new, as unread, and doubles nothing, not even when it is put in twice', async () => {
    const slug = await confirmed();
    const newer = FIRST.replace('</ul></body>', '').replace(
      /<\/ul>$/u,
      `${post('Piet Lammers', '13 Oct 2026, 08:15', 'That would silence nothing at all, since somebody would miss anything.')}</ul>`,
    );
    const take = () =>
      takeNewer(deps(db, 'Tue 11:00'), world.people.imani, slug, given(file('again.html', newer)));
    const [first, second] = [await take(), await take()];
    if (!first.ok || !second.ok) throw new Error('not taken');
    expect(await putNewer(deps(db, 'Tue 11:01'), world.people.imani, first.value.id)).toMatchObject({
      value: { prompt: false },
    });
    expect(await putNewer(deps(db, 'Tue 11:02'), world.people.imani, second.value.id)).toMatchObject({
      value: { prompt: false },
    });
    expect(await talk(slug)).toEqual([
      'Grace Adeyemi',
      'Imani Okoro',
      'Imani Okoro to Grace Adeyemi',
      'Piet Lammers, unread',
    ]);
  });

  it('measures its student’s own text anew where a newer copy has another one', async () => {
    const slug = await confirmed();
    const newer = FIRST.replace('Bells, at six, at noon and at six again, ninety seconds each.', 'Bells.');
    const taken = await takeNewer(
      deps(db, 'Tue 11:00'),
      world.people.imani,
      slug,
      given(file('again.html', newer)),
    );
    if (!taken.ok) throw new Error(taken.failure.code);
    expect(await putNewer(deps(db, 'Tue 11:01'), world.people.imani, taken.value.id)).toMatchObject({
      value: { prompt: false },
    });
    const room = await responseRoom(deps(db, 'Tue 12:00'), world.people.imani, slug);
    if (!room.ok) throw new Error('not found');
    expect(room.value.head.ledger?.complete).toBe(false);
    expect(room.value.head.ledger?.verdicts.find((v) => v.reason === 'short')).toBeDefined();
  });

  it('takes a mail by itself for a post of whoever it is from', async () => {
    const slug = await confirmed();
    const mail =
      'From: Ruth Okello <ruth@elsewhere.example>\r\nTo: imani@tidewell.example\r\nDate: Tue, 13 Oct 2026 07:00:00 +0000\r\nSubject: Whose noise?\r\n\r\nTen minutes of rain on a tin roof, so I heard nothing else.\r\n';
    const taken = await takeNewer(
      deps(db, 'Tue 11:00'),
      world.people.imani,
      slug,
      given(file('mail.eml', mail)),
    );
    if (!taken.ok) throw new Error(taken.failure.code);
    await putNewer(deps(db, 'Tue 11:01'), world.people.imani, taken.value.id);
    expect(await talk(slug)).toContain('Ruth Okello, unread');
  });

  it('is read out of an archived page, whose parts are those of a mail', async () => {
    const archive = `From: <Saved by a browser>\r\nSubject: Whose noise?\r\nMIME-Version: 1.0\r\nContent-Type: multipart/related; type="text/html"; boundary="b"\r\n\r\n--b\r\nContent-Type: text/html; charset=utf-8\r\nContent-Transfer-Encoding: base64\r\n\r\n${Buffer.from(FIRST).toString('base64')}\r\n--b--\r\n`;
    const taken = await takeIn(
      deps(db, 'Tue 10:00'),
      world.people.imani,
      given(file('noise.mhtml', archive)),
    );
    expect(taken).toMatchObject({ ok: true, value: { posts: 3 } });
  });

  it('has no newer copies where it is hosted here, and a copy without posts is not kept', async () => {
    expect(await newerCopy(deps(db, 'Tue 10:00'), world.people.imani, OPEN)).toMatchObject({
      ok: false,
    });
    const slug = await confirmed();
    const none = await takeNewer(deps(db, 'Tue 11:00'), world.people.imani, slug, {
      text: 'Nothing to see.',
      html: '',
      files: [],
    });
    expect(none).toMatchObject({ ok: false, failure: { troubles: [{ code: 'no-posts' }] } });
    expect(await db('intakes').whereNotNull('into_discussion')).toHaveLength(0);
  });
});
