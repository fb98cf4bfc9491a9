import { randomUUID } from 'node:crypto';
import type { Knex } from 'knex';
import { find } from '@/server/find/find';
import { glance } from '@/server/posts/glance';
import { namesFor } from '@/server/posts/names';
import { postHistory } from '@/server/posts/history';
import { changePost } from '@/server/posts/change';
import { moderate, moderationPage } from '@/server/posts/moderation';
import { noticesPage } from '@/server/notices/page';
import { keepDraft } from '@/server/drafts/keep';
import { listDiscussions } from '@/server/discussions/list';
import { thisWeek } from '@/server/week/this-week';
import { progressPage } from '@/server/progress/progress';
import { calendarView } from '@/server/calendar/calendar';
import { share } from '@/server/posts/share';
import { askQuestion } from '@/server/questions/ask';
import { questionsPage } from '@/server/questions/questions';
import { archivedDrafts, archivedPosts } from '@/db/queries/own-archive';
import { postId } from '@/core/ids';
import type { Actor } from '@/server/deps';
import { keptUp } from './notices';
import { deps, on, shareInput, smallCourse, text } from './world';

/** Who asks under cover here has a name of their own, so that it is found wherever it stands. */
const NAME = 'Zenobia Quartermain';
const COURSE = 'geo-115';

let db: Knex;
let world: Awaited<ReturnType<typeof smallCourse>>;
let zenobia: Actor;
beforeAll(async () => {
  world = await smallCourse('question_cover');
  db = world.db;
  zenobia = { ...world.people.kwame, name: NAME };
  await db('people').where({ id: zenobia.id }).update({ name: NAME });
  await db('question_rules').insert({ course_id: world.course, cover_from_staff: true });
});
afterAll(() => db.destroy());

const pageOf = (who: Actor, number: number | null = null, when = 'Tue 14:00') =>
  questionsPage(deps(db, when), who, COURSE, {
    show: 'all',
    week: null,
    label: null,
    page: 1,
    post: null,
    ask: null,
    number,
  });

/** Everything that somebody is given by the use-cases of pages, feeds, files and mails, as text. */
async function allThatIsGiven(who: Actor, room: string, posts: readonly number[]): Promise<string> {
  const d = deps(db, 'Tue 15:00');
  const numbers = [1, 2].map((n) => pageOf(who, n));
  const taken = [await archivedPosts(db, who.id), await archivedDrafts(db, who.id)];
  const given = await Promise.all([
    pageOf(who),
    ...numbers,
    find(d, who, 'quorum'),
    find(d, who, 'from:Zenobia'),
    namesFor(d, who, room).then((names) =>
      // That somebody is in the course is no secret: that they are among those who wrote here is.
      names.ok ? { posts: names.value.posts } : names,
    ),
    ...posts.flatMap((p) => [glance(d, who, room, p), postHistory(d, who, room, postId(p))]),
    moderationPage(d, who, room),
    noticesPage(d, who, { key: null }),
    listDiscussions(d, who, {} as never),
    thisWeek(d, who),
    progressPage(d, who),
    calendarView(d, who, {} as never),
  ]);
  return JSON.stringify([given, taken]);
}

it('no way leads from what was asked under cover to who asked it, for whoever may not know', async () => {
  const { imani, noor, holt } = world.people;
  const asked = async (title: string, audience: 'everybody' | 'staff') => {
    const done = await askQuestion(deps(db, 'Tue 10:00'), zenobia, COURSE, {
      submission: randomUUID(),
      title,
      doc: text('I cannot tell what a quorum is, and I am ashamed to ask.'),
      asking: { kind: 'asks', audience, cover: 'all', about: null },
    });
    if (!done.ok) throw new Error(done.failure.code);
    return done.value.number;
  };
  const [open, letter] = [
    await asked('What is a quorum?', 'everybody'),
    await asked('The quorum again', 'staff'),
  ];
  const page = await pageOf(noor, open);
  if (!page.ok) throw new Error('no page');
  const { room } = page.value;
  const say = async (who: Actor, number: number, words: string, when: string) => {
    const here = await pageOf(who, number, when);
    const parent = here.ok ? (here.value.open?.line.post ?? null) : null;
    const done = await share(deps(db, when), who, room, shareInput(words, { kind: 'reply', parent }));
    if (!done.ok) throw new Error(done.failure.code);
    return done.value.post;
  };
  const posts = [
    page.value.open?.line.post ?? 0,
    await say(noor, open, 'As many as it takes to decide.', 'Tue 11:00'),
    await say(zenobia, open, 'And how many is that?', 'Tue 11:10'),
    await say(holt, letter, 'Nobody was born knowing it.', 'Tue 11:20'),
  ];
  // It is changed, kept as a draft meanwhile, and reported by a classmate: each leaves a trace somewhere.
  const [, , more = 0] = posts;
  await keepDraft(deps(db, 'Tue 11:30'), zenobia, room, {
    kind: 'reply',
    parent: posts[0] ?? 0,
    submission: randomUUID(),
    title: '',
    doc: text('And how many'),
    base: 0,
    conflict: 'tell',
    edits: more,
  });
  const changed = await changePost(deps(db, 'Tue 11:40'), zenobia, room, postId(more), {
    title: '',
    doc: text('And how many is that, a quorum?'),
  });
  expect(changed.ok).toBe(true);
  await moderate(deps(db, 'Tue 11:50'), imani, room, postId(more), { act: 'report', reason: 'unkind' });
  const mails = await keptUp(db, on('Tue 12:00'));

  for (const who of [noor, imani, holt]) {
    const given = await allThatIsGiven(who, room, posts);
    expect(given).toContain('quorum');
    expect(given).not.toContain(NAME);
    expect(given).not.toContain(zenobia.id);
  }
  // Nor in a mail to anybody else, nor in what is laid down about it.
  const toOthers = mails.filter((m) => !m.to.address.includes(zenobia.id));
  expect(toOthers.length).toBeGreaterThan(0);
  expect(JSON.stringify(toOthers)).not.toContain('Zenobia');
  expect(await db('notices').where({ by_id: zenobia.id })).toEqual([]);
  // It is theirs all the same: they hear of answers, and take it along.
  expect(await db('notices').where({ person_id: zenobia.id }).pluck('kind')).toEqual(['answer', 'answer']);
  const own = await allThatIsGiven(zenobia, room, posts);
  expect(own).toContain('And how many is that, a quorum?');
});

it('in the table of posts there is nobody to find', async () => {
  expect(await db('posts').where({ author_id: zenobia.id })).toEqual([]);
  const { rows } = await db.raw(
    `select count(*)::int as n from posts p join people a on a.id = p.author_id where a.name = 'A classmate'`,
  );
  expect(rows[0].n).toBe(3);
});
