import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import type { Fields } from '@/core/outside/fields';
import { postId } from '@/core/ids';
import { plainText } from '@/core/document/flatten';
import { calendarAskSchema, calendarView } from '@/server/calendar/calendar';
import { conversation } from '@/server/discussions/conversation';
import { listDiscussions } from '@/server/discussions/list';
import { responseRoom } from '@/server/discussions/response-room';
import { keepDraft } from '@/server/drafts/keep';
import { find } from '@/server/find/find';
import { correctPage, intakePage } from '@/server/outside/brief-page';
import { confirmIntake, correctRules, removeOutside, type RubricSaid } from '@/server/outside/confirm';
import { pastePost, removePost, type PastedPost } from '@/server/outside/posts';
import { openIntake, takeIn } from '@/server/outside/take-in';
import { share } from '@/server/posts/share';
import { estimate } from '@/server/rubric/rubric';
import { thisWeek } from '@/server/week/this-week';
import { deps, shareInput, smallCourse, text } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('outside');
  db = world.db;
});
afterAll(() => db.destroy());

const PROMPT =
  'Who decides about forests? Write at least 5 words. Post by Thursday, then reply to two classmates in 3 words by Sunday.';
const FIELDS: Fields = {
  title: 'Who decides?',
  course: 'FOR 220 Forest Policy',
  zone: 'UTC',
  responseDue: '2026-10-15T23:59',
  repliesDue: '2026-10-18T23:59',
  late: 'refused',
  'response.words.min': '5',
  'replies.count': '2',
  'replies.distinctPeers': 'on',
  'replies.words.min': '3',
};

async function bringIn(over: Fields = {}, when = 'Tue 10:00') {
  const taken = await takeIn(deps(db, when), world.people.imani, { text: PROMPT, html: '', files: [] });
  if (!taken.ok) throw new Error(taken.failure.code);
  const made = await confirmIntake(deps(db, when), world.people.imani, taken.value.id, {
    ...FIELDS,
    ...over,
  });
  if (!made.ok) throw new Error(JSON.stringify(made.failure));
  return made.value.slug;
}
const pasted = (over: Partial<PastedPost> = {}): PastedPost => ({
  name: 'Benedikta Ruhl',
  staff: false,
  text: 'The owner decides.',
  html: '',
  answers: null,
  postedAt: null,
  ...over,
});
const room = async (slug: string, when = 'Tue 12:00') => {
  const found = await responseRoom(deps(db, when), world.people.imani, slug);
  if (!found.ok) throw new Error('not found');
  return found.value;
};

const RUBRIC = `<p>Who decides about forests? Write at least 5 words.</p><table><tr><th>Criteria</th><th>Full (4 pts)</th><th>Part (2 pts)</th></tr><tr><td>Depth</td><td>Says why it is so</td><td>Says that it is so</td></tr><tr><td>Replies</td><td>Two that add something</td><td>One that adds something</td></tr></table><p>Reply to two classmates by Sunday.</p>`;

describe('a rubric that stands in a prompt as a table', () => {
  const bring = async () => {
    const taken = await takeIn(deps(db, 'Tue 10:00'), world.people.imani, {
      text: '',
      html: '',
      files: [{ name: 'forests.html', bytes: Buffer.from(RUBRIC), cut: false }],
    });
    if (!taken.ok) throw new Error(taken.failure.code);
    return taken.value.id;
  };
  const page = async (id: string) => {
    const found = await intakePage(deps(db, 'Tue 10:00'), world.people.imani, id);
    if (!found.ok) throw new Error('not found');
    return found.value;
  };

  it('is offered, stands beside the response once it is taken, and one says by it what one thinks', async () => {
    const id = await bring();
    expect(await page(id)).toMatchObject({
      // Four points are those of one level alone.
      fields: { points: '8' },
      rubric: { taken: true, found: { criteria: [{ title: 'Depth' }, { title: 'Replies', replies: true }] } },
    });
    const made = await confirmIntake(deps(db, 'Tue 10:00'), world.people.imani, id, FIELDS, 'taken');
    if (!made.ok) throw new Error('not made');
    const { slug } = made.value;
    expect((await room(slug)).sheet?.rubric?.criteria.map((c) => c.levels.map((l) => l.points))).toEqual([
      [4, 2],
      [4, 2],
    ]);
    expect(await estimate(deps(db, 'Tue 12:00'), world.people.imani, slug, { depth: '1' })).toMatchObject({
      ok: true,
    });
    expect((await room(slug)).sheet?.estimate).toEqual({ depth: 1 });
  });

  it('that is left stands nowhere, is offered again with the rules, and is taken away again', async () => {
    const made = await confirmIntake(
      deps(db, 'Tue 10:00'),
      world.people.imani,
      await bring(),
      FIELDS,
      'left',
    );
    if (!made.ok) throw new Error('not made');
    const { slug } = made.value;
    const at = deps(db, 'Tue 12:00');
    const offered = async () => {
      const found = await correctPage(at, world.people.imani, slug);
      return found.ok && found.value.rubric?.taken;
    };
    const correct = (said: RubricSaid) => correctRules(at, world.people.imani, slug, FIELDS, said);
    expect((await room(slug)).sheet?.rubric).toBeNull();
    expect(await offered()).toBe(false);
    await correct('taken');
    expect((await room(slug)).sheet?.rubric).not.toBeNull();
    expect(await offered()).toBe(true);
    // Of a form that did not show it nothing is said of it.
    await correct(null);
    expect((await room(slug)).sheet?.rubric).not.toBeNull();
    await correct('left');
    expect((await room(slug)).sheet?.rubric).toBeNull();
  });
});

describe('an outside prompt', () => {
  it('waits to be confirmed, for nobody but who brought it in', async () => {
    const taken = await takeIn(deps(db, 'Tue 10:00'), world.people.imani, {
      text: PROMPT,
      html: '',
      files: [],
    });
    const id = taken.ok ? taken.value.id : '';
    const open = await openIntake(deps(db, 'Tue 10:00'), world.people.imani, id);
    expect(open.ok && plainText(open.value.doc)).toBe(PROMPT);
    expect(await openIntake(deps(db, 'Tue 10:00'), world.people.noor, id)).toMatchObject({ ok: false });
    expect(await confirmIntake(deps(db, 'Tue 10:00'), world.people.noor, id, FIELDS)).toMatchObject({
      failure: { code: 'not-found' },
    });
  });

  it('stands in This week, Discussions, the calendar and Find beside the hosted ones, and for nobody else', async () => {
    const slug = await bringIn({ title: 'Who decides about larches?' });
    const at = deps(db, 'Tue 11:00');
    const week = await thisWeek(at, world.people.imani);
    expect(week.lines.find((l) => l.slug === slug)).toMatchObject({
      course: { code: 'FOR 220', outside: true },
    });
    expect(week.owed).toBeDefined();
    const list = await listDiscussions(at, world.people.imani, {});
    expect(list.weeks.flatMap((w) => w.lines.map((l) => l.slug))).toContain(slug);
    const days = JSON.stringify(
      await calendarView(at, world.people.imani, calendarAskSchema.parse({ month: '2026-10' })),
    );
    expect(days).toContain('Who decides about larches?');
    expect(JSON.stringify(await find(at, world.people.imani, 'larches'))).toContain(slug);

    expect(JSON.stringify(await find(at, world.people.noor, 'larches'))).not.toContain(slug);
    expect(JSON.stringify(await thisWeek(at, world.people.noor))).not.toContain(slug);
    for (const other of [world.people.noor, world.people.holt]) {
      expect(await responseRoom(at, other, slug)).toMatchObject({ ok: false });
      expect(await conversation(at, other, slug, { post: null, filter: 'all' })).toMatchObject({ ok: false });
      expect(await pastePost(at, other, slug, pasted())).toMatchObject({ ok: false });
      expect(await removeOutside(at, other, slug)).toMatchObject({ ok: false });
      expect(await share(at, other, slug, shareInput('Not mine to post in.'))).toMatchObject({ ok: false });
    }
  });

  it('is counted by the time it was posted there, as the student says it', async () => {
    const slug = await bringIn({ 'replies.count': '0' });
    const late = deps(db, 'Fri 12:00');
    const said = { ...shareInput('Posted there well in time, really.'), postedAt: '2026-10-15T20:00' };
    expect(await share(late, world.people.imani, slug, said)).toMatchObject({ ok: true });
    const { head, shared } = await room(slug, 'Fri 12:01');
    expect(head.ledger?.complete).toBe(true);
    expect(shared[0]?.sharedAt).toBe(Date.parse('2026-10-15T20:00Z'));
  });

  it('cannot have been posted in the future, or at a time that is none; the hosted rule of time stays', async () => {
    const slug = await bringIn();
    const at = deps(db, 'Tue 12:00');
    const say = (postedAt: string) =>
      share(at, world.people.imani, slug, { ...shareInput('One two three four five.'), postedAt });
    expect(await say('2026-10-13T12:01')).toMatchObject({ failure: { code: 'not-posted-yet' } });
    expect(await say('2026-02-30T12:00')).toMatchObject({ failure: { code: 'no-such-time' } });
    const hosted = await share(at, world.people.kwame, 'geo-2', {
      ...shareInput('Here and now.'),
      postedAt: '2026-10-12T08:00',
    });
    const made = await db('posts')
      .where({ id: hosted.ok ? hosted.value.post : 0 })
      .first('shared_at', 'noted_at');
    expect([Number(made?.shared_at), made?.noted_at]).toEqual([at.now, null]);
  });

  it('is never closed to its student: what was posted there late is noted, and judged by the rule', async () => {
    const slug = await bringIn();
    const after = deps(db, 'Sun 23:00');
    expect(
      await share(after, world.people.imani, slug, shareInput('One two three four five.')),
    ).toMatchObject({ ok: true });
    const { head } = await room(slug, 'Sun 23:01');
    expect(head.ledger?.verdicts[0]).toMatchObject({ counted: false, reason: 'too-late' });
  });

  it('comes back as a draft, word for word, when it was not posted there after all', async () => {
    const slug = await bringIn();
    const at = deps(db, 'Tue 12:00');
    const made = await share(at, world.people.imani, slug, shareInput('Every word of this comes back.'));
    const post = made.ok ? made.value.post : null;
    expect(await removePost(at, world.people.imani, slug, postId(post ?? 0))).toMatchObject({
      ok: true,
      value: { own: true },
    });
    const { draft, shared, head } = await room(slug);
    expect(plainText(draft.doc)).toBe('Every word of this comes back.');
    expect(shared).toEqual([]);
    expect(head.responded).toBe(false);
    // And can be noted again.
    expect(
      await share(at, world.people.imani, slug, {
        ...shareInput(''),
        submission: draft.submission,
        doc: draft.doc,
      }),
    ).toMatchObject({ ok: true });
  });

  it('taken back keeps every word, also where another text was begun in its place', async () => {
    const slug = await bringIn();
    const at = deps(db, 'Tue 12:00');
    const theirs = await pastePost(at, world.people.imani, slug, pasted());
    const parent = theirs.ok ? theirs.value.post : 0;
    const reply = (words: string) => shareInput(words, { kind: 'reply', parent });
    const made = await share(at, world.people.imani, slug, reply('The first reply, noted.'));
    const { kind, submission, title, doc } = reply('A second one, begun.');
    await keepDraft(at, world.people.imani, slug, {
      kind,
      parent,
      submission,
      title,
      doc,
      base: 0,
      conflict: 'tell',
    });
    await removePost(at, world.people.imani, slug, postId(made.ok ? made.value.post : 0));
    const kept = await db('draft_versions').where({ parent_id: parent }).pluck('doc');
    expect(JSON.stringify(kept)).toContain('The first reply, noted.');
    const drafts = await db('drafts').where({ parent_id: parent }).pluck('doc');
    expect(JSON.stringify(drafts)).toContain('A second one, begun.');
  });
});

describe('classmates’ posts that are pasted in', () => {
  it('can be answered, and the reply is checked and counted', async () => {
    const slug = await bringIn();
    const at = deps(db, 'Tue 12:00');
    await share(at, world.people.imani, slug, shareInput('One two three four five.'));
    const theirs = await pastePost(at, world.people.imani, slug, pasted());
    const second = await pastePost(
      at,
      world.people.imani,
      slug,
      pasted({ name: 'Odo Marsh', text: 'The village does.' }),
    );
    const to = (p: typeof theirs) => (p.ok ? p.value.post : 0);
    for (const parent of [to(theirs), to(second)])
      await share(at, world.people.imani, slug, shareInput('I see it otherwise.', { kind: 'reply', parent }));
    const { head } = await room(slug);
    expect(head.ledger?.complete).toBe(true);
    expect(head.unread).toBe(0);
  });

  it('by one person, however often, are by one person', async () => {
    const slug = await bringIn();
    const at = deps(db, 'Tue 12:00');
    await share(at, world.people.imani, slug, shareInput('One two three four five.'));
    const a = await pastePost(at, world.people.imani, slug, pasted());
    const b = await pastePost(
      at,
      world.people.imani,
      slug,
      pasted({ name: 'benedikta ruhl', text: 'And another thing.' }),
    );
    for (const p of [a, b])
      await share(
        at,
        world.people.imani,
        slug,
        shareInput('Three words more.', { kind: 'reply', parent: p.ok ? p.value.post : 0 }),
      );
    const { head } = await room(slug);
    expect(head.ledger?.verdicts.filter((v) => v.reason === 'same-classmate')).toHaveLength(1);
  });

  it('are taken out again, but not from under a reply', async () => {
    const slug = await bringIn();
    const at = deps(db, 'Tue 12:00');
    const theirs = await pastePost(at, world.people.imani, slug, pasted());
    const post = postId(theirs.ok ? theirs.value.post : 0);
    await keepDraft(at, world.people.imani, slug, {
      kind: 'reply',
      parent: post,
      submission: randomUUID(),
      title: '',
      doc: text('begun'),
      base: 0,
      conflict: 'tell',
    });
    expect(await removePost(at, world.people.imani, slug, post)).toMatchObject({
      failure: { code: 'answered' },
    });
    await keepDraft(at, world.people.imani, slug, {
      kind: 'reply',
      parent: post,
      submission: randomUUID(),
      title: '',
      doc: text(''.padEnd(1)),
      base: 1,
      conflict: 'replace',
    });
    expect(await removePost(at, world.people.imani, slug, post)).toMatchObject({ ok: true });
    const { head } = await room(slug);
    expect([head.responses, head.unread]).toEqual([0, 0]);
  });

  it('cannot sign in, and are people of that course only', async () => {
    const slug = await bringIn();
    await pastePost(deps(db, 'Tue 12:00'), world.people.imani, slug, pasted({ name: 'Wim Achter' }));
    const person = await db('people').where({ name: 'Wim Achter' }).first();
    expect([person.email, person.password_hash]).toEqual([null, null]);
    expect(JSON.stringify(await find(deps(db, 'Tue 12:00'), world.people.noor, 'Achter'))).not.toContain(
      'Wim',
    );
  });
});

describe('the rules of an outside prompt', () => {
  it('are corrected later, and everything follows', async () => {
    const slug = await bringIn();
    const at = deps(db, 'Tue 12:00');
    const done = await correctRules(at, world.people.imani, slug, {
      ...FIELDS,
      title: 'Renamed',
      'replies.count': '1',
      responseDue: '2026-10-16T12:00',
    });
    expect(done).toEqual({ ok: true, value: { slug } });
    const { head } = await room(slug);
    expect([head.title, head.brief.replies.count, head.schedule.response.wall]).toEqual([
      'Renamed',
      1,
      '2026-10-16T12:00',
    ]);
  });

  it('cannot be corrected through this door where they are an instructor’s', async () => {
    const done = await correctRules(deps(db, 'Tue 12:00'), world.people.imani, 'geo-2', FIELDS);
    expect(done).toMatchObject({ failure: { code: 'not-found' } });
  });

  it('stay unclear nowhere: a course of the same name as a hosted one is refused', async () => {
    const taken = await takeIn(deps(db, 'Tue 10:00'), world.people.imani, {
      text: PROMPT,
      html: '',
      files: [],
    });
    const id = taken.ok ? taken.value.id : '';
    const made = await confirmIntake(deps(db, 'Tue 10:00'), world.people.imani, id, {
      ...FIELDS,
      course: 'geo 115 Rivers',
    });
    expect(made).toMatchObject({
      failure: { problems: [{ field: 'course', code: 'hosted-here', course: 'GEO 115' }] },
    });
    expect((await openIntake(deps(db, 'Tue 10:00'), world.people.imani, id)).ok).toBe(true);
  });

  it('go with it when it is removed, and its course and its people with the last one', async () => {
    const slug = await bringIn({ course: 'ZOO 1 Beetles' });
    await pastePost(deps(db, 'Tue 12:00'), world.people.imani, slug, pasted({ name: 'Only Here' }));
    expect(await removeOutside(deps(db, 'Tue 12:00'), world.people.imani, slug)).toMatchObject({ ok: true });
    expect(await db('courses').where({ code: 'ZOO 1' }).first()).toBeUndefined();
    expect(await db('people').where({ name: 'Only Here' }).first()).toBeUndefined();
  });
});

describe('what is brought in', () => {
  const file = (name: string, bytes: Buffer | string) => ({ name, bytes: Buffer.from(bytes), cut: false });
  const taken = async (given: { text?: string; html?: string; files?: ReturnType<typeof file>[] }) => {
    const t = await takeIn(deps(db, 'Tue 10:00'), world.people.imani, {
      text: '',
      html: '',
      files: [],
      ...given,
    });
    if (!t.ok) return { troubles: t.failure.troubles.map((x) => x.code), plain: '', whole: '', dates: [] };
    const open = await openIntake(deps(db, 'Tue 10:00'), world.people.imani, t.value.id);
    if (!open.ok) throw new Error('lost');
    const { doc, whole, dates, troubles } = open.value;
    return { troubles: troubles.map((x) => x.code), plain: plainText(doc), whole, dates };
  };

  it('of two megabytes is kept whole, and shown and read as far as a prompt goes', async () => {
    const long = `${PROMPT}\n\n${'A line of the reader that somebody pasted along. '.repeat(42_000)}`;
    expect(long.length).toBeGreaterThan(2_000_000);
    const { troubles, plain, whole } = await taken({ text: long });
    expect(troubles).toEqual(['shown-in-part']);
    expect(plain.startsWith(PROMPT)).toBe(true);
    expect(whole).toBe(long);
  });

  it('keeps what was typed when a file beside it cannot be read, and names the file', async () => {
    const broken = await taken({
      text: PROMPT,
      files: [file('week5.docx', 'PK\u0003\u0004 and then nothing')],
    });
    expect([broken.troubles, broken.plain]).toEqual([['file-broken'], PROMPT]);
    const binary = await taken({ files: [file('x.bin', Buffer.from([1, 0, 2, 0]))] });
    expect(binary).toMatchObject({ troubles: ['file-unknown'], plain: '' });
    expect(
      (await taken({ files: [file('old.doc', Buffer.from([0xd0, 0xcf, 0x11, 0xe0, 0xa1]))] })).troubles,
    ).toEqual(['file-old-word']);
    expect((await taken({ files: [{ ...file('big.txt', 'x'), cut: true }] })).troubles).toEqual([
      'file-too-large',
    ]);
    expect((await taken({})).troubles).toEqual([]);
  });

  it('is read in the letters it was written in', async () => {
    const latin = Buffer.from('Caf\u00e9: write 200 words.', 'latin1');
    expect((await taken({ files: [file('a.txt', latin)] })).plain).toBe('Café: write 200 words.');
    const wide = Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from('Zażółć: 200 words.', 'utf16le')]);
    expect((await taken({ files: [file('b.txt', wide)] })).plain).toBe('Zażółć: 200 words.');
    expect((await taken({ files: [file('c.html', '<p>Write <b>200</b> words.</p>')] })).plain).toBe(
      'Write 200 words.',
    );
  });

  it('takes dates from a calendar file, in the student’s own time', async () => {
    const ics =
      'BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nSUMMARY:Post due\r\nDTSTART:20261015T215900Z\r\nEND:VEVENT\r\nBEGIN:VTODO\r\nSUMMARY:Replies\r\nDUE;VALUE=DATE:20261018\r\nEND:VTODO\r\nEND:VCALENDAR\r\n';
    const { dates, troubles } = await taken({ text: PROMPT, files: [file('dates.ics', ics)] });
    expect([troubles, dates]).toEqual([
      [],
      [
        { title: 'Post due', wall: '2026-10-15T21:59' },
        { title: 'Replies', wall: '2026-10-18T23:59' },
      ],
    ]);
    expect((await taken({ text: PROMPT, files: [file('x.ics', 'no calendar')] })).troubles).toEqual([
      'no-calendar',
    ]);
  });

  it('comes out of a Word document with its lists and tables', async () => {
    const { docxOf } = await import('@/server/formats/to-docx');
    const { documentFromMarkdown } = await import('@/core/formats/from-markdown');
    const doc = documentFromMarkdown(
      '## Week 5\n\n1. Why?\n2. How?\n\n- bullet\n\n| a | b |\n|---|---|\n| c | d |\n\nWrite **200 words**.',
    );
    const { troubles, plain } = await taken({
      files: [file('week5.docx', Buffer.from(await docxOf('', doc, new Map())))],
    });
    expect([troubles, plain]).toEqual([[], plainText(doc)]);
  });
});
