import type { Knex } from 'knex';
import { conversation } from '@/server/discussions/conversation';
import { keepDraft } from '@/server/drafts/keep';
import { responseRoom } from '@/server/discussions/response-room';
import { yourPart } from '@/server/discussions/your-part';
import { thisWeek } from '@/server/week/this-week';
import { listDiscussions } from '@/server/discussions/list';
import { calendarView } from '@/server/calendar/calendar';
import { courseWeek } from '@/server/courses/weeks';
import { markRead } from '@/server/discussions/reading';
import { find } from '@/server/find/find';
import { takeBack } from '@/server/setup/setup';
import { glance } from '@/server/posts/glance';
import { reactToPost } from '@/server/posts/react';
import { share } from '@/server/posts/share';
import type { Actor } from '@/server/deps';
import { deps, on, OPEN, SEALED, shared, shareInput, smallCourse, text } from './world';
import { randomUUID } from 'node:crypto';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
const SECRET = 'heron nests in the east meadow';
let noorsPost: number;

beforeAll(async () => {
  world = await smallCourse('privacy');
  db = world.db;
  noorsPost = (
    await shared(db, world.people.noor, SEALED, 'Mon 10:00', shareInput(SECRET, { title: `About ${SECRET}` }))
  ).post;
});
afterAll(() => db.destroy());

/** Everything that any use-case hands to a person, as one text. */
async function everything(who: Actor, when = 'Tue 10:00'): Promise<string> {
  const d = deps(db, when);
  // What was typed comes back as it was typed; all else of an answer is looked at.
  const looked = async (typed: string) => ({ ...(await find(d, who, typed)), ask: null });
  const answers = await Promise.all([
    thisWeek(d, { ...who, previousVisit: on('Mon 08:00') }),
    listDiscussions(d, who, {}),
    responseRoom(d, who, SEALED),
    yourPart(d, who, SEALED),
    looked('heron'),
    looked('herron nests'),
    looked('from:noor'),
    calendarView(d, who, { view: 'agenda' }),
    courseWeek(d, who, 'geo-115', null),
    markRead(d, who, SEALED, { posts: [noorsPost], read: true }),
    conversation(d, who, SEALED, { post: null, filter: 'all' }),
    conversation(d, who, SEALED, { post: noorsPost, filter: 'no-replies' }),
    ...(['worth', 'to-you', 'bookmarked', null] as const).map((filter) =>
      conversation(d, who, SEALED, { post: noorsPost, filter }),
    ),
    glance(d, who, SEALED, noorsPost),
    reactToPost(d, who, SEALED, noorsPost, { kind: 'bookmark', on: true }),
    share(d, who, SEALED, shareInput('I answer it.', { kind: 'reply', parent: noorsPost })),
    keepDraft(d, who, SEALED, {
      kind: 'reply',
      parent: noorsPost,
      submission: randomUUID(),
      title: '',
      doc: text('x y z'),
      base: 0,
      conflict: 'tell',
    }),
  ]);
  return JSON.stringify(answers);
}

describe('behind the seal', () => {
  it('no use-case gives a classmate’s text, title or name before one’s own response', async () => {
    const seen = await everything(world.people.imani);
    expect(seen).not.toContain('heron');
    expect(seen).not.toContain('Noor');
    expect(seen).not.toContain(world.people.noor.id);
    expect(seen).toContain('"responses":1');
  });

  it('a reply or a draft of one is refused', async () => {
    const d = deps(db, 'Tue 10:00');
    const input = { kind: 'reply' as const, parent: noorsPost };
    expect(await share(d, world.people.imani, SEALED, shareInput('Hello there.', input))).toMatchObject({
      failure: { code: 'sealed' },
    });
    const draft = {
      ...input,
      submission: randomUUID(),
      title: '',
      doc: text('x'),
      base: 0,
      conflict: 'tell' as const,
    };
    expect(await keepDraft(d, world.people.imani, SEALED, draft)).toMatchObject({
      failure: { code: 'post-not-open' },
    });
  });

  it('everything opens with one’s own response', async () => {
    await shared(db, world.people.rafi, SEALED, 'Tue 11:00', shareInput('Three words here.'));
    const room = await conversation(deps(db, 'Tue 11:01'), world.people.rafi, SEALED, {
      post: noorsPost,
      filter: 'all',
    });
    expect(JSON.stringify(room)).toContain(SECRET);
  });

  it('and for reading when nothing more can be shared', async () => {
    const after = { db, now: (on('Sun 23:59') + 60_000) as never };
    const room = await conversation(after, world.people.kwame, SEALED, { post: noorsPost, filter: 'all' });
    expect(JSON.stringify(room)).toContain(SECRET);
  });

  it('staff are never sealed out', async () => {
    const room = await conversation(deps(db, 'Tue 10:00'), world.people.holt, SEALED, {
      post: noorsPost,
      filter: 'all',
    });
    expect(JSON.stringify(room)).toContain(SECRET);
  });
});

describe('a course one is not in', () => {
  it('is not found, exactly as one that does not exist', async () => {
    const d = deps(db, 'Tue 10:00');
    const { stranger } = world.people;
    const asked = [
      await conversation(d, stranger, SEALED, { post: noorsPost, filter: 'all' }),
      await responseRoom(d, stranger, SEALED),
      await yourPart(d, stranger, SEALED),
      await share(d, stranger, SEALED, shareInput('Let me in.')),
      await conversation(d, stranger, 'no-such-discussion', { post: null, filter: 'all' }),
    ];
    for (const answer of asked) expect(answer).toEqual({ ok: false, failure: { code: 'not-found' } });
    expect(JSON.stringify(await thisWeek(d, stranger))).not.toContain('geo-1');
  });
});

describe('private replies', () => {
  it('are read by both and by staff, and by nobody else', async () => {
    const { rafi, noor, holt, jun } = world.people;
    await shared(db, jun, SEALED, 'Tue 11:00', shareInput('Jun says something.'));
    const whisper = 'between you and me';
    const secret = await shared(
      db,
      rafi,
      SEALED,
      'Tue 12:00',
      shareInput(whisper, { kind: 'reply', parent: noorsPost, private: true }),
    );
    const read = async (who: Actor) =>
      JSON.stringify(
        await conversation(deps(db, 'Tue 12:01'), who, SEALED, { post: secret.post, filter: 'all' }),
      );
    expect(await read(rafi)).toContain(whisper);
    expect(await read(noor)).toContain(whisper);
    expect(await read(holt)).toContain(whisper);
    expect(await read(jun)).not.toContain(whisper);
    const answer = await share(
      deps(db, 'Tue 12:02'),
      jun,
      SEALED,
      shareInput('I heard that.', { kind: 'reply', parent: secret.post }),
    );
    expect(answer).toMatchObject({ ok: false, failure: { code: 'post-not-open' } });
  });

  it('are answered privately, whatever was asked', async () => {
    const row = await db('posts').whereNotNull('private_to').first('id');
    const back = await shared(
      db,
      world.people.noor,
      SEALED,
      'Tue 12:30',
      shareInput('And back again.', { kind: 'reply', parent: row.id }),
    );
    const stored = await db('posts').where({ id: back.post }).first('private_to');
    expect(stored.private_to).toBe(world.people.rafi.id);
  });
});

describe('withdrawn and hidden posts', () => {
  it('keep their place and lose their text', async () => {
    const gone = await shared(
      db,
      world.people.jun,
      OPEN,
      'Tue 09:00',
      shareInput('Please forget this text.'),
    );
    await takeBack(db, gone.post, 'hidden', on('Tue 09:30'));
    const read = async (who: Actor) =>
      JSON.stringify(
        await conversation(deps(db, 'Tue 10:00'), who, OPEN, { post: gone.post, filter: 'all' }),
      );
    expect(await read(world.people.imani)).not.toContain('forget');
    expect(await read(world.people.imani)).toContain('"gone":"hidden"');
    expect(await read(world.people.jun)).toContain('forget');
    expect(await read(world.people.holt)).toContain('forget');
  });
});
