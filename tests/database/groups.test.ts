import type { Knex } from 'knex';
import { postId, type PostId } from '@/core/ids';
import { peoplePage } from '@/server/courses/people';
import { sayTimes } from '@/server/courses/own-times';
import { classPage } from '@/server/desk/class';
import { deskPage } from '@/server/desk/discussion';
import { actOnGroups, groupsPage, type GroupsAct } from '@/server/desk/groups';
import { actOnParts, type PartAct } from '@/server/desk/parts-played';
import { changeRules, rulesPage } from '@/server/desk/prompts';
import { conversation } from '@/server/discussions/conversation';
import { responseRoom } from '@/server/discussions/response-room';
import { yourPart } from '@/server/discussions/your-part';
import type { Actor } from '@/server/deps';
import type { Fields } from '@/core/outside/fields';
import { share } from '@/server/posts/share';
import { deps, OPEN, SEALED, shared, shareInput, smallCourse } from './world';

const GEO = 'geo-115';
let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
let n = 0;
beforeEach(async () => {
  n += 1;
  world = await smallCourse(`groups-${n}`);
  db = world.db;
});
afterEach(() => db.destroy());

const at = (when: string) => deps(db, when);
const groups = (act: GroupsAct, who: Actor = world.people.holt) =>
  actOnGroups(at('Mon 09:00'), who, GEO, act);
const parts = (slug: string, act: PartAct, who: Actor = world.people.holt) =>
  actOnParts(at('Mon 09:00'), who, GEO, slug, act);
const page = async () => {
  const read = await groupsPage(at('Mon 09:00'), world.people.holt, GEO);
  if (!read.ok) throw new Error(read.failure.code);
  return read.value;
};
const idOf = async (name: string) => (await page()).groups.find((g) => g.name === name)?.id ?? '';

/** What a discussion asks for is changed as an instructor does it: in the form. */
async function asks(slug: string, more: Fields) {
  const read = await rulesPage(at('Mon 08:00'), world.people.holt, GEO, slug);
  if (!read.ok) throw new Error(read.failure.code);
  const done = await changeRules(at('Mon 08:01'), world.people.holt, GEO, slug, {
    fields: { ...read.value.fields, ...more },
  });
  if (!done.ok) throw new Error(JSON.stringify(done.failure));
}

/** Two groups: Noor and Rafi by the weir, Jun and Kwame by the ford; Imani is in none. */
async function twoGroups() {
  const { noor, rafi, jun, kwame } = world.people;
  await asks(OPEN, { grouped: 'on' });
  for (const [name, people] of [
    ['Weir', [noor, rafi]],
    ['Ford', [jun, kwame]],
  ] as const) {
    await groups({ act: 'make', name });
    await groups({ act: 'move', people: people.map((p) => p.id), group: await idOf(name) });
  }
}

const seenBy = async (who: Actor, when = 'Tue 12:00') => {
  const read = await conversation(at(when), who, OPEN, { post: null, filter: 'all', as: 'threads' });
  if (!read.ok) throw new Error(read.failure.code);
  return { posts: read.value.lines.map((l) => l.author), head: read.value.head };
};
const says = (who: Actor, words: string, when = 'Tue 10:00') =>
  shared(db, who, OPEN, when, shareInput(words)).then((s) => s.post);
const answers = (who: Actor, parent: PostId, words: string, slug = OPEN, when = 'Tue 11:00') =>
  shared(db, who, slug, when, { ...shareInput(words), kind: 'reply', parent });
const partOf = async (who: Actor, slug: string, when = 'Wed 10:00') => {
  const read = await yourPart(at(when), who, slug);
  if (!read.ok || !read.value.head.ledger) throw new Error('no part');
  return read.value.head.ledger;
};

describe('a discussion in groups', () => {
  it('is a conversation of each group; staff read all, and what they begin is for everybody', async () => {
    const { noor, rafi, jun, imani, holt } = world.people;
    await twoGroups();
    await says(noor, 'Words by the weir.');
    await says(jun, 'Words by the ford.');
    await says(imani, 'Words of nobody’s group.');
    await says(holt, 'Words for all of you.');
    expect((await seenBy(rafi)).posts.sort()).toEqual(['Dr. Maren Holt', 'Noor Vasquez']);
    expect((await seenBy(jun)).posts.sort()).toEqual(['Dr. Maren Holt', 'Jun Hathaway']);
    expect((await seenBy(imani)).posts.sort()).toEqual(['Dr. Maren Holt', 'Imani Okoro']);
    expect((await seenBy(holt)).posts).toHaveLength(4);
    expect((await seenBy(rafi)).head.group).toBe('Weir');
  });

  it('is read whole by who looks on', async () => {
    const { noor, jun, kwame } = world.people;
    await twoGroups();
    await says(noor, 'Words by the weir.');
    await says(jun, 'Words by the ford.');
    await db('enrolments').where({ person_id: kwame.id }).update({ role: 'observer', group_id: null });
    expect((await seenBy(kwame)).posts.sort()).toEqual(['Jun Hathaway', 'Noor Vasquez']);
    expect((await seenBy(kwame)).head.unread).toBe(2);
  });

  it('counts for each what they may read: what is unread, how many responses there are', async () => {
    const { noor, rafi, jun } = world.people;
    await twoGroups();
    await says(noor, 'Words by the weir.');
    await says(jun, 'Words by the ford.');
    await says(world.people.kwame, 'More by the ford.');
    const { head } = await seenBy(rafi);
    expect([head.unread, head.responses]).toEqual([1, 1]);
    await db('reads').insert({
      course_id: world.course,
      discussion_id: world.discussion.open,
      person_id: rafi.id,
      post_id: (await db('posts').where({ author_id: noor.id }).first('id')).id,
      read_at: new Date(),
    });
    expect((await seenBy(rafi)).head.unread).toBe(0);
    // Moved, nothing that was read before makes the number wrong.
    await groups({ act: 'move', people: [rafi.id], group: await idOf('Ford') });
    const after = (await seenBy(rafi)).head;
    expect([after.unread, after.responses]).toEqual([2, 2]);
  });

  it('a post of another group cannot be answered, whatever number is sent', async () => {
    const { noor, jun } = world.people;
    await twoGroups();
    const theirs = await says(noor, 'Words by the weir.');
    const tried = await share(at('Tue 11:00'), jun, OPEN, {
      ...shareInput('I answer you.'),
      kind: 'reply',
      parent: theirs,
    });
    expect(tried).toMatchObject({ ok: false, failure: { code: 'post-not-open' } });
  });

  it('whoever is moved keeps what counted and the threads they wrote in, and finds the new group', async () => {
    const { noor, rafi, jun, kwame } = world.people;
    await twoGroups();
    const hers = await says(noor, 'Words by the weir.');
    await answers(rafi, hers, 'I disagree about the weir.');
    await says(jun, 'Words by the ford.');
    const before = await partOf(rafi, OPEN);
    await groups({ act: 'move', people: [rafi.id], group: await idOf('Ford') });
    expect(await partOf(rafi, OPEN)).toEqual(before);
    expect((await seenBy(rafi)).posts.sort()).toEqual(['Jun Hathaway', 'Noor Vasquez']);
    // He can go on where he wrote, and his old group still reads it.
    await answers(rafi, hers, 'One more thing about it.', OPEN, 'Wed 09:00');
    const read = await conversation(at('Wed 10:00'), noor, OPEN, { post: hers, filter: 'all' });
    expect(JSON.stringify(read)).toContain('One more thing');
    expect((await seenBy(kwame, 'Wed 10:00')).posts).not.toContain('Noor Vasquez');
  });

  it('a group is written to as one, each of it alone', async () => {
    await twoGroups();
    const chosen = await classPage(at('Tue 12:00'), world.people.holt, GEO, {
      page: 1,
      choose: `group-${await idOf('Weir')}`,
    });
    expect(chosen.ok && chosen.value.chosen.sort()).toEqual(
      [world.people.noor.id, world.people.rafi.id].sort(),
    );
  });

  it('a group somebody has written in stays; an empty one goes, and its people are in none', async () => {
    const { noor, rafi } = world.people;
    await twoGroups();
    await says(noor, 'Words by the weir.');
    expect(await groups({ act: 'drop', group: await idOf('Weir') })).toMatchObject({
      failure: { code: 'group-in-use' },
    });
    expect((await groups({ act: 'drop', group: await idOf('Ford') })).ok).toBe(true);
    expect((await page()).groups.map((g) => g.name)).toEqual(['Weir']);
    expect((await page()).ungrouped.map((s) => s.name)).toContain('Jun Hathaway');
    expect(await groups({ act: 'make', name: 'Weir' })).toMatchObject({ failure: { code: 'group-taken' } });
    expect(await groups({ act: 'move', people: [rafi.id], group: '' })).toMatchObject({ ok: true });
    expect((await groups({ act: 'make', name: 'Mine' }, rafi)).ok).toBe(false);
  });

  it('groups are dealt by the times people said, which nobody reads', async () => {
    const { imani, noor, rafi, jun, holt } = world.people;
    for (const [who, times] of [
      [imani, [0, 3]],
      [noor, [0, 3]],
      [rafi, [2, 5]],
      [jun, [2, 5]],
    ] as const)
      await sayTimes(at('Mon 08:00'), who, GEO, times);
    await groups({ act: 'deal', how: 'times', groups: 2, whom: 'everybody' });
    const dealt = (await page()).groups;
    expect(dealt.map((g) => g.members.length).sort()).toEqual([2, 3]);
    expect(dealt.every((g) => g.together > 0)).toBe(true);
    const group = (name: string) => dealt.find((g) => g.members.some((m) => m.name === name))?.name;
    expect(group('Imani Okoro')).toBe(group('Noor Vasquez'));
    expect(group('Rafi Castellan')).toBe(group('Jun Hathaway'));
    const mine = await peoplePage(at('Mon 09:00'), imani, GEO);
    expect(mine.ok && mine.value.times).toBe(9);
    const theirs = await peoplePage(at('Mon 09:00'), holt, GEO);
    expect(theirs.ok && theirs.value.times).toBeNull();
    expect(JSON.stringify([await page(), theirs])).not.toMatch(/"times":\s*\d/u);
  });

  it('stays one of groups, or of the class, once somebody has shared in it', async () => {
    await twoGroups();
    await says(world.people.noor, 'Words by the weir.');
    const read = await deskPage(at('Tue 12:00'), world.people.holt, GEO, OPEN);
    expect(read.ok && read.value.grouped).toBe(true);
  });
});

describe('two sides', () => {
  const SIDES: Fields = { 'sides.first': 'Move', 'sides.second': 'Hold', 'replies.otherSide': 'on' };

  it('are given out evenly, and only a reply to the other side counts', async () => {
    const { imani, noor, rafi, jun } = world.people;
    await asks(OPEN, SIDES);
    await parts(OPEN, { act: 'deal-sides' });
    const dealt = await db('parts_played').pluck('side');
    expect(Math.abs(dealt.filter((s) => s === 1).length - dealt.filter((s) => s === 2).length)).toBe(1);
    await parts(OPEN, { act: 'side', people: [imani.id, noor.id], side: '1' });
    await parts(OPEN, { act: 'side', people: [rafi.id, jun.id], side: '2' });
    const same = await answers(imani, await says(noor, 'Words of my side.'), 'I agree with my side.');
    const other = await answers(imani, await says(rafi, 'Words of the other.'), 'I doubt that, Rafi.');
    const { verdicts } = await partOf(imani, OPEN);
    expect(verdicts.find((v) => v.post === same.post)).toMatchObject({ counted: false, reason: 'same-side' });
    expect(verdicts.find((v) => v.post === other.post)?.counted).toBe(true);
  });

  it('say whom to answer: nobody of one’s own side is worth answering', async () => {
    const { imani, noor, rafi } = world.people;
    await asks(OPEN, SIDES);
    await parts(OPEN, { act: 'side', people: [imani.id, noor.id], side: '1' });
    await parts(OPEN, { act: 'side', people: [rafi.id], side: '2' });
    await says(noor, 'Words of my side.');
    await says(rafi, 'Words of the other.');
    await says(imani, 'Words of mine.');
    const read = await conversation(at('Tue 12:00'), imani, OPEN, { post: null, filter: 'worth' });
    expect(read.ok && read.value.lines.map((l) => l.author)).toEqual(['Rafi Castellan']);
  });
});

describe('who leads', () => {
  it('owes the leader’s replies, reads behind the seal from the start, and nobody else does', async () => {
    const { imani, noor, rafi } = world.people;
    await asks(SEALED, { 'leader.replies': '5' });
    await parts(SEALED, { act: 'lead', people: [imani.id] });
    await shared(db, noor, SEALED, 'Tue 10:00', shareInput('Words of the class.'));
    const room = async (who: Actor) => {
      const read = await responseRoom(at('Tue 12:00'), who, SEALED);
      if (!read.ok) throw new Error(read.failure.code);
      return read.value.head;
    };
    expect((await room(imani)).ledger?.obligations).toHaveLength(6);
    expect((await room(imani)).sealed).toBe(false);
    expect((await room(rafi)).ledger?.obligations).toHaveLength(4);
    expect((await room(rafi)).sealed).toBe(true);
    expect((await parts(SEALED, { act: 'lead', people: [noor.id] }, noor)).ok).toBe(false);
  });

  it('goes round the class', async () => {
    await asks(SEALED, { 'leader.replies': '5' });
    await asks(OPEN, { 'leader.replies': '4' });
    await db('discussions').where({ slug: OPEN }).update({ opens: '2026-10-13T06:00' });
    await parts(SEALED, { act: 'deal-leads', each: 2 });
    const led = await db('parts_played').where({ leads: true }).select('person_id', 'discussion_id');
    expect(new Set(led.map((l) => l.person_id)).size).toBe(4);
    expect(new Set(led.map((l) => l.discussion_id)).size).toBe(2);
    expect(await parts(OPEN, { act: 'deal-sides' })).toMatchObject({ failure: { code: 'no-parts' } });
  });
});

describe('other ways of asking', () => {
  it('replies only: no response is owed, and answering who began counts', async () => {
    const { imani, holt } = world.people;
    await asks(OPEN, { 'response.unasked': 'on', 'replies.count': '1' });
    const begun = await says(holt, 'What would you ask the miller?');
    await answers(imani, begun, 'When he last closed the gate.');
    const mine = await partOf(imani, OPEN);
    expect(mine.obligations.map((o) => [o.kind, o.state])).toEqual([['reply', 'counted']]);
    expect(mine.complete).toBe(true);
    const own = await says(imani, 'And one more question.', 'Tue 14:00');
    expect((await partOf(imani, OPEN)).verdicts.find((v) => v.post === postId(own))?.reason).toBe(
      'not-asked',
    );
  });

  it('a topic of one’s own has a title; what the form does not ask about stays', async () => {
    await db('discussions')
      .where({ slug: OPEN })
      .update({
        brief: db.raw(`jsonb_set(brief, '{replies,media}', '[{"kind": "link", "min": 1}]')`),
      });
    await asks(OPEN, { 'response.topic': 'on', 'response.instead.audio': 'on' });
    const { brief } = await db('discussions').where({ slug: OPEN }).first('brief');
    expect(brief.response).toMatchObject({ topic: true, title: true, instead: ['audio'] });
    expect(brief.replies.media).toEqual([{ kind: 'link', min: 1 }]);
  });
});
