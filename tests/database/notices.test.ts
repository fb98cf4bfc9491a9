import type { Knex } from 'knex';
import { announce } from '@/server/courses/announcements';
import { actOnDesk } from '@/server/desk/discussion';
import { holdDelivering } from '@/db/queries/deliveries';
import { setFollow } from '@/db/queries/follows';
import { markRead } from '@/server/discussions/reading';
import { openNotice } from '@/server/notices/open';
import { noticesPage } from '@/server/notices/page';
import { remindDue } from '@/server/notices/remind';
import { chooseWay } from '@/server/notices/rules';
import { moderate } from '@/server/posts/moderation';
import { askForTime } from '@/server/discussions/more-time';
import { deps, on, OPEN, SEALED, smallCourse, text } from './world';
import { changeSelf } from '@/server/people/account';
import { post } from './college';
import { hearing, keptUp, noticesAt, room } from './notices';
import { keepUp, openByClock } from '@/server/notices/keep-up';
import { keepDraft } from '@/server/drafts/keep';
import { randomUUID } from 'node:crypto';
import type { Actor } from '@/server/deps';
import type { Doc } from '@/core/document/nodes';
import { instant } from '@/core/ids';
import { responseRoom } from '@/server/discussions/response-room';
import { withdrawPost } from '@/server/posts/change';

let db: Knex;
let world: Awaited<ReturnType<typeof smallCourse>>;
let n = 0;
beforeEach(async () => {
  // What is due of one test is not to be sent in another.
  world = await smallCourse(`notices_${(n += 1)}`);
  db = world.db;
});
afterEach(() => db.destroy());

const { respond, reply } = room(() => db);
const naming = (who: Actor): Doc => ({
  type: 'doc',
  content: [
    {
      type: 'paragraph',
      content: [
        { type: 'text', text: 'like ' },
        { type: 'text', text: who.name, marks: [{ type: 'mention', attrs: { person: who.id } }] },
      ],
    },
  ],
});
const page = (who: Actor, when: string) => noticesPage(deps(db, when), who, { key: null });
const roomOf = async (who: Actor) => {
  const read = await responseRoom(deps(db, 'Tue 12:00'), who, SEALED);
  if (!read.ok) throw new Error(read.failure.code);
  return read.value.head;
};
const kinds = async (who: Actor) => (await noticesAt(db, who)).map((n) => n.kind);

describe('what concerns somebody', () => {
  it('is there with the post it tells of: a reply, and a name that answers nobody; each once', async () => {
    const { imani, noor, jun } = world.people;
    const mine = await respond(imani, 'Tue 10:00');
    await reply(noor, mine, 'Tue 11:00', { doc: naming(imani) });
    await reply(noor, mine, 'Tue 11:05', { doc: naming(jun) });
    expect(await kinds(imani)).toEqual(['reply', 'reply']);
    expect(await kinds(jun)).toEqual(['name']);
    expect(await kinds(noor)).toEqual([]);
    const { lines } = await page(imani, 'Tue 12:00');
    expect(lines.map((l) => [l.title, l.meta, l.quote])).toEqual([
      ['Noor Vasquez replied to you', 'GEO 115 week 6 · Open', '“like Jun Hathaway” and one more'],
    ]);
  });

  it('is not there where what caused it is not: both are one transaction', async () => {
    const { imani, noor } = world.people;
    const mine = await respond(imani, 'Tue 10:00');
    await db.raw(
      `create function no_tells() returns trigger language plpgsql as $$ begin raise exception 'no'; end $$`,
    );
    await db.raw('create trigger no_tells before insert on notices for each row execute function no_tells()');
    await expect(reply(noor, mine, 'Tue 11:00')).rejects.toThrow('no');
    expect(await db('posts').where({ author_id: noor.id })).toHaveLength(0);
  });

  it('is seen by reading the post, by its line, or with all; each exactly', async () => {
    const { imani, noor, rafi } = world.people;
    const mine = await respond(imani, 'Tue 10:00');
    const first = await reply(noor, mine, 'Tue 11:00');
    await reply(rafi, mine, 'Tue 11:05');
    await markRead(deps(db, 'Tue 12:00'), imani, OPEN, { posts: [first], read: true });
    expect((await noticesAt(db, imani)).map((n) => n.seen)).toEqual([true, false]);
    const [line] = (await page(imani, 'Tue 12:00')).lines.filter((l) => !l.seen);
    expect(line?.title).toBe('Rafi Castellan replied to you');
    const opened = await openNotice(deps(db, 'Tue 12:01'), imani, line?.ids[0] ?? 0);
    expect(opened).toMatchObject({
      ok: true,
      value: expect.stringContaining(`/discussions/${OPEN}/conversation?post=`),
    });
    expect((await noticesAt(db, imani)).every((n) => n.seen)).toBe(true);
    // Another's notice is nothing to anybody else.
    expect(await openNotice(deps(db, 'Tue 12:01'), noor, line?.ids[0] ?? 0)).toMatchObject({ ok: false });
  });

  it('goes with a post that is withdrawn or hidden, and no mail tells of it then', async () => {
    const { imani, noor, rafi, holt } = world.people;
    const mine = await respond(imani, 'Tue 10:00');
    const one = await reply(noor, mine, 'Tue 11:00');
    const two = await reply(rafi, mine, 'Tue 11:05');
    await keepUp(deps(db, 'Tue 11:06'));
    expect((await withdrawPost(deps(db, 'Tue 11:10'), noor, OPEN, one)).ok).toBe(true);
    expect(
      (await moderate(deps(db, 'Tue 11:11'), holt, OPEN, two, { act: 'hide', reason: 'off the topic' })).ok,
    ).toBe(true);
    expect((await noticesAt(db, imani)).map((n) => [n.kind, n.waiting.length])).toEqual(
      [['post', 0]].filter(() => false),
    );
    expect(await keptUp(db, on('Tue 11:12'))).toEqual([]);
  });

  it('is nothing to whom the seal still keeps out, or whom a private reply leaves out', async () => {
    const { imani, noor, jun, rafi, holt } = world.people;
    const theirs = await respond(noor, 'Tue 10:00', SEALED);
    await respond(rafi, 'Tue 10:10', SEALED);
    await reply(rafi, theirs, 'Tue 11:00', { slug: SEALED, doc: naming(jun) });
    expect(await kinds(jun)).toEqual([]);
    const open = await respond(imani, 'Tue 10:20');
    await respond(jun, 'Tue 10:25');
    await reply(noor, open, 'Tue 11:00', { private: true, doc: naming(holt) });
    await keepUp(deps(db, 'Tue 11:01'));
    expect(await kinds(imani)).toContain('reply');
    expect((await noticesAt(db, jun)).flatMap((n) => n.waiting)).toEqual([]);
  });

  it('is told of what named them behind the seal once they open it, and of what is gone by then never', async () => {
    const { noor, jun, rafi, kwame } = world.people;
    const theirs = await respond(noor, 'Tue 10:00', SEALED);
    await respond(rafi, 'Tue 10:10', SEALED);
    const named = await reply(rafi, theirs, 'Tue 11:00', { slug: SEALED, doc: naming(jun) });
    const other = await respond(kwame, 'Tue 10:20', SEALED);
    const gone = await reply(rafi, other, 'Tue 11:05', { slug: SEALED, doc: naming(jun) });
    await withdrawPost(deps(db, 'Tue 11:10'), rafi, SEALED, gone);
    await keepUp(deps(db, 'Tue 11:11'));
    expect(await kinds(jun)).toEqual([]);
    await respond(jun, 'Tue 12:00', SEALED);
    await keepUp(deps(db, 'Tue 12:01'));
    expect((await noticesAt(db, jun)).map((n) => [n.kind, n.key])).toEqual([['name', `post ${named}`]]);
    expect(await db('told_when_open')).toEqual([]);
  });

  it('is told of it by the clock where the seal ends with the discussion, if they have not read it by then', async () => {
    const { noor, jun, rafi } = world.people;
    const theirs = await respond(noor, 'Tue 10:00', SEALED);
    await respond(rafi, 'Tue 10:10', SEALED);
    await reply(rafi, theirs, 'Tue 11:00', { slug: SEALED, doc: naming(jun) });
    const closes = (await roomOf(jun)).schedule.closes;
    await openByClock({ db, now: instant(closes - 1) });
    expect(await kinds(jun)).toEqual([]);
    await openByClock({ db, now: closes });
    expect(await kinds(jun)).toEqual(['name']);
    await openByClock({ db, now: instant(closes + 60_000) });
    expect(await kinds(jun)).toEqual(['name']);
  });

  it('are marks, more time, changed dates, requests and reports, each to whom it concerns', async () => {
    const { imani, noor, jun, holt } = world.people;
    await askForTime(deps(db, 'Tue 09:00'), imani, OPEN, 'I am travelling');
    expect(await kinds(holt)).toEqual(['request']);
    const gave = await actOnDesk(deps(db, 'Tue 10:00'), holt, 'geo-115', OPEN, {
      act: 'extend',
      people: [imani.id],
      responseDue: '2026-10-16T23:59',
      repliesDue: '',
      reason: 'travelling',
    });
    expect(gave.ok).toBe(true);
    expect((await page(imani, 'Tue 10:01')).lines.map((l) => l.title)).toEqual([
      'You have more time in week 6',
    ]);
    expect(await kinds(noor)).toEqual([]);
    const theirs = await respond(noor, 'Tue 11:00');
    await moderate(deps(db, 'Tue 11:05'), jun, OPEN, theirs, { act: 'report', reason: 'copied' });
    expect(await kinds(holt)).toEqual(['request', 'report']);
    expect(await kinds(noor)).toEqual([]);
  });

  it('is an announcement when its time has come, to those it is for, and once', async () => {
    const { imani, noor, holt, stranger } = world.people;
    await announce(deps(db, 'Tue 09:00'), holt, 'geo-115', {
      title: 'Field photos are up',
      body: 'See the week.',
    });
    await announce(deps(db, 'Tue 09:00'), holt, 'geo-115', {
      title: 'For Imani',
      body: 'Come by.',
      people: [imani.id],
      at: '2026-10-14T08:00',
    });
    expect((await noticesAt(db, imani)).length).toBe(1);
    await keepUp(deps(db, 'Wed 08:01'));
    await keepUp(deps(db, 'Wed 08:02'));
    expect(await kinds(imani)).toEqual(['announcement', 'announcement']);
    expect(await kinds(noor)).toEqual(['announcement']);
    expect(await kinds(holt)).toEqual([]);
    expect(await kinds(stranger)).toEqual([]);
  });
});

describe('new posts where one follows', () => {
  it('are one notice that grows, and shrinks by reading', async () => {
    const { imani, noor, jun } = world.people;
    await respond(imani, 'Tue 10:00');
    const a = await respond(noor, 'Tue 10:05');
    await keepUp(deps(db, 'Tue 10:06'));
    const b = await respond(jun, 'Tue 10:10');
    await keepUp(deps(db, 'Tue 10:11'));
    expect((await noticesAt(db, imani)).map((n) => n.waiting)).toEqual([[a, b]]);
    await markRead(deps(db, 'Tue 10:20'), imani, OPEN, { posts: [a], read: true });
    expect((await noticesAt(db, imani)).map((n) => [n.waiting, n.seen])).toEqual([[[b], false]]);
    await markRead(deps(db, 'Tue 10:21'), imani, OPEN, { posts: [b], read: true });
    expect((await noticesAt(db, imani)).map((n) => [n.waiting, n.seen])).toEqual([[[], true]]);
  });

  it('are told to who follows by choice, and not to who left', async () => {
    const { imani, noor, jun, kwame } = world.people;
    const place = { course: world.course, discussion: world.discussion.open };
    await respond(imani, 'Tue 10:00');
    await keepUp(deps(db, 'Tue 10:01'));
    await setFollow(db, place, imani.id, null, false);
    await setFollow(db, place, kwame.id, null, true);
    await respond(noor, 'Tue 10:05');
    await respond(jun, 'Tue 10:06');
    await keepUp(deps(db, 'Tue 10:07'));
    expect(await kinds(imani)).toEqual([]);
    expect((await noticesAt(db, kwame)).flatMap((n) => n.waiting)).toHaveLength(2);
    // Who answered first hears of those that came after.
    expect((await noticesAt(db, noor)).flatMap((n) => n.waiting)).toHaveLength(1);
  });

  it('come by the way that was chosen for the discussion', async () => {
    const { imani, noor } = world.people;
    await respond(imani, 'Tue 10:00');
    await chooseWay(deps(db, 'Tue 10:01'), imani, OPEN, 'once');
    await respond(noor, 'Tue 10:05');
    expect(await keptUp(db, on('Tue 10:06'))).toHaveLength(1);
  });
});

describe('how it is sent', () => {
  it('a thread by its own way, before that of its discussion', async () => {
    const { imani, noor, jun } = world.people;
    await respond(imani, 'Tue 10:00');
    const a = await respond(noor, 'Tue 10:05');
    const b = await respond(jun, 'Tue 10:06');
    await keepUp(deps(db, 'Tue 10:07'));
    expect((await chooseWay(deps(db, 'Tue 10:08'), imani, OPEN, 'once', a)).ok).toBe(true);
    expect((await chooseWay(deps(db, 'Tue 10:08'), imani, OPEN, 'none', b)).ok).toBe(true);
    expect((await chooseWay(deps(db, 'Tue 10:08'), imani, OPEN, 'once', 999_999)).ok).toBe(false);
    await reply(jun, a, 'Tue 10:10');
    await reply(noor, b, 'Tue 10:11');
    const mails = (await keptUp(db, on('Tue 10:12'))).filter((m) => m.to.name === imani.name);
    expect(mails.map((m) => m.subject)).toEqual(['2 new posts in GEO 115 week 6']);
    const heard = (await page(imani, 'Tue 10:13')).heard.find((d) => d.slug === OPEN);
    expect(heard?.threads.map((t) => [t.id, t.follows, t.way])).toContainEqual([a, true, 'once']);
    expect(heard?.threads.map((t) => [t.id, t.follows, t.way])).toContainEqual([b, false, null]);
  });

  it('by the clock of its reader: another zone moves what waits, and sends nothing twice', async () => {
    const { imani, noor, jun } = world.people;
    const mine = await respond(imani, 'Tue 10:00');
    await reply(noor, mine, 'Tue 21:30');
    const first = await keptUp(db, on('Tue 21:31'));
    expect(first).toHaveLength(1);
    // In Auckland it is half past ten in the morning: the quiet of the night is over there.
    await reply(jun, mine, 'Tue 22:30');
    const self = {
      name: imani.name,
      saidAs: '',
      spelling: 'en-GB',
      theme: 'system',
      clock: '24',
      weekBegins: 1,
    } as const;
    await changeSelf(deps(db, 'Tue 22:31'), imani, { ...self, timeZone: 'Pacific/Auckland' });
    const there = { ...imani, timeZone: 'Pacific/Auckland' };
    expect(await keptUp(db, on('Tue 22:32'))).toHaveLength(1);
    await changeSelf(deps(db, 'Tue 22:33'), there, { ...self, timeZone: 'UTC' });
    expect(await keptUp(db, on('Wed 07:00'))).toEqual([]);
    expect(await db('mails').where({ kind: 'notices' })).toHaveLength(2);
  });

  it('once, however many processes deal it out and send it', async () => {
    const { imani, noor, jun, rafi } = world.people;
    const mine = await respond(imani, 'Tue 10:00');
    for (const who of [noor, jun, rafi]) {
      await respond(who, 'Tue 10:10');
      await reply(who, mine, 'Tue 10:11');
    }
    await Promise.all(Array.from({ length: 4 }, () => keepUp(deps(db, 'Tue 13:00'))));
    await keepUp(deps(db, 'Tue 13:00'));
    const all = await Promise.all(Array.from({ length: 3 }, () => post(db, on('Tue 13:01'))));
    const names = all.flat().map((m) => m.id);
    expect(new Set(names).size).toBe(names.length);
    expect(all.flat().filter((m) => m.to.name === imani.name)).toHaveLength(1);
  });

  it('what comes about while others’ mails are made goes with the next look, and does not wait for another minute', async () => {
    const { imani, noor } = world.people;
    const mine = await respond(imani, 'Tue 10:00');
    const other = await db.transaction();
    await holdDelivering(other);
    await reply(noor, mine, 'Tue 11:00');
    const kept = keepUp(deps(db, 'Tue 11:01'));
    const waits = async () => {
      while (
        Number((await db('pg_locks').where({ locktype: 'advisory', granted: false }).count())[0]?.count) === 0
      );
    };
    await Promise.race([kept, waits()]);
    await other.commit();
    await kept;
    expect((await noticesAt(db, imani)).map((x) => x.sent)).toEqual([true]);
  });

  it('a reply at once, what one follows at the next of one’s times, once each', async () => {
    const { imani, noor, jun } = world.people;
    const mine = await respond(imani, 'Tue 10:00');
    await reply(noor, mine, 'Tue 10:30');
    await respond(jun, 'Tue 10:40');
    const first = await keptUp(db, on('Tue 10:41'));
    expect(first.map((m) => [m.to.name, m.subject])).toEqual([
      ['Imani Okoro', 'Noor Vasquez replied to you · GEO 115 week 6'],
    ]);
    expect(await keptUp(db, on('Tue 10:42'))).toEqual([]);
    expect(await keptUp(db, on('Tue 12:59'))).toEqual([]);
    const gathered = await keptUp(db, on('Tue 13:00'));
    expect(gathered.map((m) => m.subject)).toEqual(['One new post in GEO 115 week 6']);
    expect(await keptUp(db, on('Tue 18:01'))).toEqual([]);
  });

  it('nothing in quiet hours, and nothing that was seen until then', async () => {
    const { imani, noor, rafi } = world.people;
    const mine = await respond(imani, 'Tue 10:00');
    const one = await reply(noor, mine, 'Tue 23:00');
    await reply(rafi, mine, 'Tue 23:10');
    expect(await keptUp(db, on('Tue 23:30'))).toEqual([]);
    await markRead(deps(db, 'Wed 06:00'), imani, OPEN, { posts: [one], read: true });
    const [mail, ...more] = await keptUp(db, on('Wed 07:00'));
    expect(more).toEqual([]);
    expect(mail?.subject).toContain('Rafi Castellan replied to you');
    expect(mail?.text).not.toContain('Noor');
  });

  it('a storm of posts is one mail to each who follows', async () => {
    const { imani, noor, jun, rafi, kwame } = world.people;
    const mine = await respond(imani, 'Tue 08:30');
    for (const who of [noor, jun, rafi, kwame]) await respond(who, 'Tue 08:31');
    for (let i = 0; i < 40; i += 1) {
      await reply([noor, jun, rafi, kwame][i % 4] ?? noor, mine, `Tue 09:${String(i).padStart(2, '0')}`);
      if (i % 7 === 0) await keepUp(deps(db, `Tue 09:${String(i).padStart(2, '0')}`));
    }
    const mails = await keptUp(db, on('Tue 13:00'));
    const to = (who: Actor) => mails.filter((m) => m.to.name === who.name);
    for (const who of [noor, jun, rafi, kwame]) expect(to(who)).toHaveLength(1);
    expect(to(noor)[0]?.text).toContain('new posts in GEO 115 week 6');
  });

  it('by the rules that hold when it goes: what waits goes by a changed rule, and nothing twice', async () => {
    const { imani, noor, jun } = world.people;
    await respond(imani, 'Tue 10:00');
    await respond(noor, 'Tue 10:05');
    await keepUp(deps(db, 'Tue 10:06'));
    await hearing(db, on('Tue 10:10'), imani, { ways: { post: 'daily' } });
    expect(await keptUp(db, on('Tue 13:00'))).toEqual([]);
    await hearing(db, on('Tue 13:10'), imani, { ways: { post: 'once' } });
    expect(await keptUp(db, on('Tue 13:11'))).toHaveLength(1);
    await hearing(db, on('Tue 13:20'), imani, { ways: { post: 'here' } });
    await respond(jun, 'Tue 13:30');
    expect(await keptUp(db, on('Wed 18:00'))).toEqual([]);
    expect((await noticesAt(db, imani)).map((n) => n.sent)).toEqual([true, false]);
  });
});

describe('reminders', () => {
  const titles = async (who: Actor, when: string) =>
    (await page(who, when)).lines.filter((l) => l.kind === 'deadline').map((l) => l.title);
  it('come while something is owed, say what stands, and follow an extension', async () => {
    const { imani, noor, holt } = world.people;
    await respond(noor, 'Mon 12:00');
    await keepDraft(deps(db, 'Tue 08:00'), imani, OPEN, {
      kind: 'response',
      parent: null,
      submission: randomUUID(),
      title: '',
      doc: text('two words'),
      base: 0,
      conflict: 'tell',
    });
    await actOnDesk(deps(db, 'Wed 09:00'), holt, 'geo-115', SEALED, {
      act: 'excuse',
      people: [imani.id],
      reason: 'ill',
    });
    await remindDue(deps(db, 'Thu 19:00'));
    await remindDue(deps(db, 'Thu 19:01'));
    expect(await titles(imani, 'Thu 19:01')).toEqual([
      'GEO 115: the response is due in five hours, 2 of 3 words stand',
    ]);
    // Noor has responded here, and owes a response in the other discussion alone.
    expect(await titles(noor, 'Thu 19:01')).toEqual(['GEO 115: the response is due in five hours']);
    await actOnDesk(deps(db, 'Thu 20:00'), holt, 'geo-115', OPEN, {
      act: 'extend',
      people: [imani.id],
      responseDue: '2026-10-17T23:59',
      repliesDue: '',
      reason: '',
    });
    await remindDue(deps(db, 'Sat 18:59'));
    await remindDue(deps(db, 'Sat 19:00'));
    expect((await noticesAt(db, imani)).filter((n) => n.kind === 'deadline')).toHaveLength(2);
    // Once it is done the reminder is over, here and in a mail that is still to leave.
    await keepUp(deps(db, 'Sat 19:01'));
    expect(await titles(imani, 'Sat 19:01')).toHaveLength(1);
    await respond(imani, 'Sat 19:02');
    expect(await titles(imani, 'Sat 19:03')).toEqual([]);
    const left = (await keptUp(db, on('Sat 19:03'))).filter((m) => m.to.name === imani.name);
    expect(left.map((m) => m.subject).join()).not.toContain('due');
  });
  it('none to whom nothing is owed of, nor after it is done', async () => {
    const { imani } = world.people;
    await respond(imani, 'Tue 10:00');
    await respond(imani, 'Tue 10:00', SEALED);
    await remindDue(deps(db, 'Thu 19:00'));
    expect(await titles(imani, 'Thu 19:01')).toEqual([]);
    await hearing(db, on('Fri 09:00'), imani, { before: [] });
    await remindDue(deps(db, 'Sun 19:00'));
    expect(await titles(imani, 'Sun 19:01')).toEqual([]);
  });
});
