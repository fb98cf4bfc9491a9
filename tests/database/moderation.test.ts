import { type ModerationInput } from '@/contract/conversation';
import type { Knex } from 'knex';
import { summarise } from '@/core/counting/summary';
import type { Actor } from '@/server/deps';
import { moderate, moderationPage } from '@/server/posts/moderation';
import { conversation } from '@/server/discussions/conversation';
import { yourPart } from '@/server/discussions/your-part';
import { share } from '@/server/posts/share';
import { deps, on, OPEN, SEALED, shared, shareInput, smallCourse } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
let post: number;
beforeEach(async () => {
  world = await smallCourse(`care_${Math.floor(performance.now())}`);
  db = world.db;
  post = (await shared(db, world.people.noor, OPEN, 'Tue 10:00', shareInput('What Noor wrote.'))).post;
});
afterEach(() => db.destroy());

const doIt = (
  who: Actor,
  act: ModerationInput['act'],
  reason = '',
  to = post,
  when = 'Tue 11:00',
  slug = OPEN,
) => moderate(deps(db, when), who, slug, to, { act, reason });
const log = async () => {
  const page = await moderationPage(deps(db, 'Tue 12:00'), world.people.holt, OPEN);
  if (!page.ok) throw new Error(page.failure.code);
  return page.value;
};
const opened = async (who: Actor) => {
  const room = await conversation(deps(db, 'Tue 12:00'), who, OPEN, { post, filter: 'all', as: 'threads' });
  if (!room.ok) throw new Error(room.failure.code);
  return room.value;
};

describe('a report', () => {
  it('goes to staff with its reason, once for each reader, and is settled by hiding', async () => {
    const { imani, jun, holt, noor } = world.people;
    expect(await doIt(imani, 'report')).toMatchObject({ failure: { code: 'no-reason' } });
    await doIt(imani, 'report', 'It is rude.');
    await doIt(imani, 'report', 'It is rude to Jun.');
    await doIt(jun, 'report', 'It names me.');
    expect(await doIt(noor, 'report', 'Mine.')).toMatchObject({ failure: { code: 'not-yours-to-do' } });
    const { reported } = await log();
    expect(reported).toMatchObject([
      {
        id: post,
        author: 'Noor Vasquez',
        reports: [{ by: 'Imani Okoro', reason: 'It is rude to Jun.' }, { by: 'Jun Hathaway' }],
      },
    ]);
    await doIt(holt, 'hide', 'Rude to a classmate.');
    expect((await log()).reported).toEqual([]);
  });
  it('may be settled without hiding, and made again afterwards', async () => {
    const { imani, holt } = world.people;
    await doIt(imani, 'report', 'Off the topic.');
    expect(await doIt(imani, 'settle')).toMatchObject({ failure: { code: 'not-yours-to-do' } });
    await doIt(holt, 'settle');
    expect((await log()).reported).toEqual([]);
    await doIt(imani, 'report', 'Still off the topic.');
    expect((await log()).reported).toHaveLength(1);
  });
  it('cannot be of what one may not read', async () => {
    const { imani, noor, stranger } = world.people;
    const sealed = (await shared(db, noor, SEALED, 'Tue 10:00', shareInput('Behind the seal.'))).post;
    const nothing = { failure: { code: 'not-found' } };
    expect(await doIt(imani, 'report', 'x', sealed, 'Tue 11:00', SEALED)).toMatchObject(nothing);
    expect(await doIt(stranger, 'report', 'x')).toMatchObject(nothing);
    expect(await moderationPage(deps(db, 'Tue 12:00'), imani, OPEN)).toMatchObject(nothing);
  });
});

describe('hiding', () => {
  it('takes the text from the class and keeps the replies; author and staff read why', async () => {
    const { imani, noor, holt } = world.people;
    await shared(
      db,
      imani,
      OPEN,
      'Tue 10:30',
      shareInput('An answer here.', { kind: 'reply', parent: post }),
    );
    expect(await doIt(holt, 'hide')).toMatchObject({ failure: { code: 'no-reason' } });
    await doIt(holt, 'hide', 'It names a patient.');
    const seen = await opened(imani);
    expect(JSON.stringify(seen)).not.toContain('What Noor wrote');
    expect(JSON.stringify(seen)).not.toContain('patient');
    expect(seen.posts.map((p) => [p.gone, p.author.name])).toEqual([
      ['hidden', 'Noor Vasquez'],
      [null, 'Imani Okoro'],
    ]);
    expect((await opened(noor)).posts[0]).toMatchObject({ hiddenReason: 'It names a patient.' });
    const part = await yourPart(deps(db, 'Tue 12:00'), noor, OPEN);
    const owed = part.ok && part.value.head.ledger && summarise(part.value.head.ledger, on('Tue 12:00'));
    // What staff hid does not count.
    expect(owed && owed.owedResponse).toBe(true);
    await doIt(holt, 'show');
    expect((await opened(imani)).posts[0]).toMatchObject({ gone: null, hiddenReason: '' });
  });
  it('is not for students, and nothing is done twice', async () => {
    const { imani, holt } = world.people;
    for (const act of ['hide', 'show', 'pin', 'unpin', 'lock', 'unlock'] as const)
      expect(await doIt(imani, act, 'Because.')).toMatchObject({ failure: { code: 'not-yours-to-do' } });
    await doIt(holt, 'pin');
    expect(await doIt(holt, 'pin')).toMatchObject({ failure: { code: 'not-yours-to-do' } });
  });
});

describe('pinning and locking', () => {
  it('a pinned response stands first, however old', async () => {
    const { imani, jun, holt } = world.people;
    const newer = (await shared(db, jun, OPEN, 'Tue 11:00', shareInput('A newer response.'))).post;
    expect((await opened(imani)).lines.map((l) => Number(l.id))).toEqual([newer, post]);
    await doIt(holt, 'pin');
    expect((await opened(imani)).lines.map((l) => Number(l.id))).toEqual([post, newer]);
  });
  it('a locked thread is answered by staff alone, at any depth, until it is unlocked', async () => {
    const { imani, jun, holt } = world.people;
    const reply = (
      await shared(db, jun, OPEN, 'Tue 10:30', shareInput('An answer here.', { kind: 'reply', parent: post }))
    ).post;
    await doIt(holt, 'lock');
    const answer = (who: Actor, parent: number) =>
      share(deps(db, 'Tue 12:00'), who, OPEN, shareInput('And one more thing.', { kind: 'reply', parent }));
    for (const parent of [post, reply])
      expect(await answer(imani, parent)).toMatchObject({ failure: { code: 'thread-locked' } });
    expect((await opened(imani)).reply?.refused).toEqual({ code: 'thread-locked' });
    expect(await answer(holt, reply)).toMatchObject({ ok: true });
    await doIt(holt, 'unlock');
    expect(await answer(imani, reply)).toMatchObject({ ok: true });
  });
});

it('whatever is done is logged with who, when and why, for good', async () => {
  const { imani, holt } = world.people;
  await doIt(imani, 'report', 'It is rude.', post, 'Tue 10:10');
  await doIt(holt, 'pin', '', post, 'Tue 10:20');
  await doIt(holt, 'lock', '', post, 'Tue 10:30');
  await doIt(holt, 'hide', 'Rude.', post, 'Tue 10:40');
  await doIt(holt, 'show', '', post, 'Tue 10:50');
  await shared(db, holt, OPEN, 'Tue 11:00', shareInput('From staff now.', { kind: 'reply', parent: post }));
  // What was refused is none of it.
  await doIt(imani, 'hide', 'Because.');
  expect((await log()).log.map((l) => [l.by, l.act, l.reason])).toEqual([
    ['Dr. Maren Holt', 'answer', ''],
    ['Dr. Maren Holt', 'show', ''],
    ['Dr. Maren Holt', 'hide', 'Rude.'],
    ['Dr. Maren Holt', 'lock', ''],
    ['Dr. Maren Holt', 'pin', ''],
    ['Imani Okoro', 'report', 'It is rude.'],
  ]);
  await expect(db('moderation_log').update({ reason: 'Nothing.' })).rejects.toThrow(/for good/u);
});
