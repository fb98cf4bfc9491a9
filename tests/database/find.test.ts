import type { Knex } from 'knex';
import { nearWords } from '@/db/queries/find/near-words';
import { conversation } from '@/server/discussions/conversation';
import { find } from '@/server/find/find';
import { takeBack } from '@/server/setup/setup';
import { deps, OPEN, SEALED, shared, shareInput, smallCourse } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('find');
  db = world.db;
  const { noor, jun, rafi, imani } = world.people;
  const first = await shared(
    db,
    noor,
    OPEN,
    'Mon 10:00',
    shareInput('The farmers were flooded twice, and the levees had been raised in between.', {
      title: 'Raised walls',
    }),
  );
  await shared(db, noor, SEALED, 'Mon 11:00', shareInput('Herons nest behind the levees here, quietly.'));
  await shared(
    db,
    jun,
    OPEN,
    'Mon 12:00',
    shareInput('A secret about herons and levees.', { kind: 'reply', parent: first.post, private: true }),
  );
  const gone = await shared(db, rafi, OPEN, 'Mon 13:00', shareInput('Withdrawn words about levees.'));
  await takeBack(db, gone.post, 'withdrawn', deps(db, 'Mon 14:00').now);
  await shared(db, imani, OPEN, 'Mon 15:00', shareInput('My own view of a raised levee.'));
});
afterAll(() => db.destroy());

const when = () => deps(db, 'Tue 10:00');
const posts = async (who: (typeof world.people)['imani'], typed: string) =>
  (await find(when(), who, typed)).posts.map((p) => p.author);

describe('find', () => {
  it('finds stems, phrases and beginnings of words, and shows the passage', async () => {
    const { imani } = world.people;
    expect(await posts(imani, 'levee raise')).toEqual(
      expect.arrayContaining(['Noor Vasquez', 'Imani Okoro']),
    );
    expect(await posts(imani, '"flooded twice"')).toEqual(['Noor Vasquez']);
    expect(await posts(imani, '"twice flooded"')).toEqual([]);
    expect(await posts(imani, 'farm')).toEqual(['Noor Vasquez']);
    const { posts: found } = await find(when(), imani, 'flooding');
    expect(found[0]?.passage.filter((p) => p.hit).map((p) => p.text)).toEqual(['flooded']);
  });
  it('finds words that are mistyped, and says so', async () => {
    const found = await find(when(), world.people.imani, 'farmrs');
    expect(found.nearly).toBe(true);
    expect(found.posts.map((p) => p.author)).toEqual(['Noor Vasquez']);
    expect((await find(when(), world.people.imani, 'farmers')).nearly).toBe(false);
  });
  it('narrows to a person or a course, and lists a person’s posts without any words', async () => {
    const { imani } = world.people;
    expect(await posts(imani, 'levee from:noor')).toEqual(['Noor Vasquez']);
    expect(await posts(imani, 'from:me')).toEqual(['Imani Okoro']);
    expect(await posts(imani, 'levee in:geo')).toHaveLength(2);
    expect(await posts(imani, 'levee in:pla')).toEqual([]);
  });
  it('finds people and prompts of one’s own courses only', async () => {
    const { people } = await find(when(), world.people.imani, 'vasqez');
    expect(people.map((p) => p.name)).toEqual(['Noor Vasquez']);
    expect((await find(when(), world.people.imani, 'sealed')).texts.map((t) => t.slug)).toEqual([SEALED]);
    const strange = await find(when(), world.people.stranger, 'vasquez');
    expect([strange.people, strange.posts, strange.texts]).toEqual([[], [], []]);
    expect(await posts(world.people.stranger, 'levee')).toEqual([]);
  });
  it('never looks at what is sealed, private, or withdrawn', async () => {
    const { imani, noor, jun, holt } = world.people;
    // "herons" stands in a sealed post and in a private reply only.
    for (const typed of [
      'herons',
      'heron',
      'herns',
      '"herons nest"',
      'herons from:noor',
      'herons from:jun',
    ]) {
      const found = await find(when(), imani, typed);
      expect([typed, found.posts, found.nearly]).toEqual([typed, [], false]);
    }
    expect(await posts(imani, 'withdrawn')).toEqual([]);
    expect(await posts(noor, 'secret')).toEqual(['Jun Hathaway']);
    expect(await posts(jun, 'herons')).toEqual(['Jun Hathaway']);
    expect(await posts(holt, 'herons')).toEqual(expect.arrayContaining(['Noor Vasquez', 'Jun Hathaway']));
  });
  it('opens with the seal', async () => {
    const { kwame } = world.people;
    expect(await posts(kwame, 'herons')).toEqual([]);
    await shared(db, kwame, SEALED, 'Tue 09:00', shareInput('My own three words.'));
    expect(await posts(kwame, 'herons')).toEqual(['Noor Vasquez']);
  });
  it.each([
    "'; drop table posts; --",
    '((((',
    '!!! & | <->',
    ':*',
    '%',
    '\\',
    'a'.repeat(5_000),
    '\u0000\u0002',
    '<b>',
    '',
  ])('takes %j for words and never breaks', async (typed) => {
    await expect(find(when(), world.people.imani, typed)).resolves.toMatchObject({
      nearly: expect.any(Boolean),
    });
  });
});

describe('near words, for every reader', () => {
  /** The words of a text as the vocabulary has them, and how alike two are, made here and not by the database. */
  const wordsOf = (text: string) => new Set(text.toLowerCase().match(/\p{L}{3,40}/gu) ?? []);
  const trigrams = (word: string) => {
    const padded = `  ${word} `;
    return new Set(Array.from({ length: padded.length - 2 }, (_, i) => padded.slice(i, i + 3)));
  };
  const alike = (a: string, b: string) => {
    const [x, y] = [trigrams(a), trigrams(b)];
    const both = [...x].filter((t) => y.has(t)).length;
    return both / (x.size + y.size - both);
  };

  it('come only from what the reader may read: the same as by brute force over the rows', async () => {
    const { imani, noor, jun, rafi, kwame, holt, stranger } = world.people;
    const rows: {
      author_id: string;
      private_to: string | null;
      slug: string;
      course_id: string;
      plain: string;
      title: string;
      gone: boolean;
    }[] = await db('posts as p')
      .join('discussions as d', 'd.id', 'p.discussion_id')
      .joinRaw(
        'join lateral (select plain, title from post_versions v where v.post_id = p.id order by n desc limit 1) v on true',
      )
      .select(
        'p.author_id',
        'p.private_to',
        'd.slug',
        'p.course_id',
        'v.plain',
        'v.title',
        db.raw('p.withdrawn_at is not null or p.hidden_at is not null as gone'),
      );
    const texts: { course_id: string; said: string }[] = await db('discussions').select(
      'course_id',
      db.raw(`title || ' ' || prompt_plain as said`),
    );
    const typed = ['herens', 'levies', 'secrit', 'farmrs', 'quitely', 'withdrawm', 'riased'];
    for (const who of [imani, noor, jun, rafi, kwame, holt, stranger]) {
      const mine = new Set(
        (await db('enrolments').where('person_id', who.id).pluck('course_id')) as string[],
      );
      const staff = who.id === holt.id;
      const responded = (slug: string) =>
        rows.some((r) => r.slug === slug && r.author_id === who.id && !r.gone);
      const readable = [
        ...rows
          .filter((r) => mine.has(r.course_id) && !r.gone)
          .filter((r) => staff || r.slug !== SEALED || responded(r.slug))
          .filter((r) => staff || r.private_to === null || r.private_to === who.id || r.author_id === who.id)
          .map((r) => `${r.title} ${r.plain}`),
        ...texts.filter((t) => mine.has(t.course_id)).map((t) => t.said),
      ];
      const all = [...new Set(readable.flatMap((t) => [...wordsOf(t)]))];
      // Words like "here" nobody can look for.
      const { rows: sought } = await db.raw(
        `select w from unnest(?::text[]) w where to_tsvector('english', w) <> ''::tsvector`,
        [all],
      );
      const vocabulary = new Set((sought as { w: string }[]).map((r) => r.w));
      for (const word of typed) {
        const expected = [...vocabulary]
          .map((w) => ({ w, by: alike(w, word) }))
          .filter((c) => c.by >= 0.3)
          .sort((a, b) => b.by - a.by || (a.w < b.w ? -1 : 1))
          .slice(0, 4)
          .map((c) => c.w);
        const within = (
          (await db('discussions')
            .whereIn('course_id', [...mine])
            .select('id', 'slug')) as { id: string; slug: string }[]
        )
          .filter((d) => staff || d.slug !== SEALED || responded(d.slug))
          .map((d) => d.id as never);
        const near = await nearWords(
          db,
          {
            reader: { id: who.id, staffIn: staff ? ([...mine] as never[]) : [] },
            within,
            prompts: (await db('discussions')
              .whereIn('course_id', [...mine])
              .pluck('id')) as never[],
            courses: [...mine] as never[],
          },
          [word],
        );
        expect({ who: who.name, word, near: near.get(word) }).toEqual({
          who: who.name,
          word,
          near: expected,
        });
      }
    }
  });

  it('of a discussion are those of the posts one may read there: a word of another’s private reply changes nothing', async () => {
    const { imani, jun, noor } = world.people;
    const typed = 'secrit';
    const room = async (who: typeof imani) => {
      const found = await conversation(when(), who, OPEN, { post: null, filter: null, words: typed });
      return found.ok ? found.value.lines.map((l) => l.author) : null;
    };
    expect(await room(imani)).toEqual([]);
    expect(await room(noor)).toEqual([jun.name]);
  });
});
