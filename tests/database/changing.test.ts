import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { postId } from '@/core/ids';
import { keepDraft } from '@/server/drafts/keep';
import { changePost, withdrawPost } from '@/server/posts/change';
import { changingPost, postHistory } from '@/server/posts/history';
import { share } from '@/server/posts/share';
import { conversation } from '@/server/discussions/conversation';
import { responseRoom } from '@/server/discussions/response-room';
import { yourPart } from '@/server/discussions/your-part';
import { takeBack } from '@/server/setup/setup';
import type { Actor } from '@/server/deps';
import { deps, on, OPEN, SEALED, shared, shareInput, smallCourse, text } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('changing');
  db = world.db;
});
afterAll(() => db.destroy());

describe('a shared post', () => {
  const change = (who: Actor, when: string, post: number, words: string) =>
    changePost(deps(db, when), who, OPEN, postId(post), { title: '', doc: text(words) });
  const part = async (who: Actor, when: string) => {
    const found = await yourPart(deps(db, when), who, OPEN);
    if (!found.ok) throw new Error('no part');
    return found.value.shared;
  };

  it('is changed by its author only; every version stays for author and staff, the class sees “edited”', async () => {
    const { noor, jun, holt } = world.people;
    const { post } = await shared(db, noor, OPEN, 'Tue 10:00', shareInput('My first three words.'));
    expect((await change(jun, 'Tue 10:30', post, 'Not mine.')).ok).toBe(false);
    expect(await change(noor, 'Tue 10:30', post, 'My second three words.')).toEqual({
      ok: true,
      value: { n: 2 },
    });
    // The same once more (a second press, a lost answer) is one change.
    expect(await change(noor, 'Tue 10:31', post, 'My second three words.')).toEqual({
      ok: true,
      value: { n: 2 },
    });
    for (const who of [noor, holt]) {
      const history = await postHistory(deps(db, 'Tue 11:00'), who, OPEN, post);
      expect(history.ok && history.value.versions.map((v) => v.doc)).toEqual([
        text('My first three words.'),
        text('My second three words.'),
      ]);
    }
    expect((await postHistory(deps(db, 'Tue 11:00'), jun, OPEN, post)).ok).toBe(false);
    const room = await conversation(deps(db, 'Tue 11:00'), jun, OPEN, { post, filter: 'all' });
    expect(room.ok && room.value.posts[0]).toMatchObject({
      edited: true,
      doc: text('My second three words.'),
    });
  });

  it('changed before the deadline counts as changed; after it, the text that was there in time counts', async () => {
    const { kwame } = world.people;
    const { post } = await shared(db, kwame, OPEN, 'Tue 10:00', shareInput('Too short.'));
    expect((await part(kwame, 'Tue 11:00'))[0]?.verdict).toMatchObject({ counted: false, reason: 'short' });
    await change(kwame, 'Wed 10:00', post, 'Now it is long enough.');
    expect((await part(kwame, 'Wed 11:00'))[0]).toMatchObject({
      verdict: { counted: true },
      text: { n: 2, latest: null, edits: 1 },
    });
    await change(kwame, 'Fri 10:00', post, 'Short.');
    const [after] = await part(kwame, 'Fri 11:00');
    expect(after).toMatchObject({ verdict: { counted: true }, text: { n: 2, edits: 2 } });
    expect(after?.text.latest?.doc).toEqual(text('Short.'));
  });

  it('is not changed over a change from another window that its writer has not seen', async () => {
    const { imani } = world.people;
    const { post } = await shared(db, imani, OPEN, 'Tue 10:00', shareInput('As it was at first.'));
    const from = (n: number, words: string) =>
      changePost(deps(db, 'Tue 10:30'), imani, OPEN, post, { title: '', doc: text(words), n });
    expect(await from(1, 'As the first window has it.')).toEqual({ ok: true, value: { n: 2 } });
    expect(await from(1, 'As the second window has it.')).toEqual({
      ok: false,
      failure: { code: 'changed-meanwhile' },
    });
    // A press that is sent again because its answer was lost is no other window.
    expect(await from(1, 'As the first window has it.')).toEqual({ ok: true, value: { n: 2 } });
    expect(await from(2, 'As the second window has it.')).toEqual({ ok: true, value: { n: 3 } });
  });

  it('is never withdrawn under an answer that arrives at the same moment', async () => {
    const { holt, noor } = world.people;
    for (let round = 0; round < 12; round += 1) {
      const { post } = await shared(db, holt, OPEN, 'Tue 10:00', shareInput(`A question of mine, ${round}.`));
      const [answer, gone] = await Promise.all([
        share(
          deps(db, 'Tue 10:05'),
          noor,
          OPEN,
          shareInput(`An answer, ${round}.`, { kind: 'reply', parent: post }),
        ),
        withdrawPost(deps(db, 'Tue 10:05'), holt, OPEN, post),
      ]);
      expect([answer.ok, gone.ok].filter(Boolean)).toHaveLength(1);
    }
  });

  it('is not changed after the closing, and not to nothing', async () => {
    const { rafi } = world.people;
    const { post } = await shared(db, rafi, OPEN, 'Tue 10:00', shareInput('One two three.'));
    expect(await change(rafi, 'Tue 11:00', post, ' ')).toMatchObject({
      failure: { code: 'nothing-written' },
    });
    const closed = { db, now: (on('Sun 23:59') + 60_000) as never };
    const late = await changePost(closed, rafi, OPEN, post, { title: '', doc: text('One two four.') });
    expect(late).toMatchObject({ ok: false, failure: { code: 'closed' } });
  });

  it('being changed has a draft of its own, which owes nothing', async () => {
    const { jun } = world.people;
    const { post } = await shared(db, jun, OPEN, 'Tue 10:00', shareInput('One two three.'));
    const kept = await keepDraft(deps(db, 'Tue 10:10'), jun, OPEN, {
      kind: 'response',
      parent: null,
      submission: randomUUID(),
      title: '',
      doc: text('One two three four.'),
      base: 0,
      conflict: 'tell',
      edits: post,
    });
    expect(kept.ok).toBe(true);
    const desk = await changingPost(deps(db, 'Tue 10:20'), jun, OPEN, post);
    expect(desk.ok && desk.value.draft.doc).toEqual(text('One two three four.'));
    expect(desk.ok && desk.value.ledgerInput?.begun).toEqual([]);
    await change(jun, 'Tue 10:30', post, 'One two three four.');
    expect(await db('drafts').where({ author_id: jun.id, edits: post })).toEqual([]);
  });
});

describe('withdrawing', () => {
  const withdraw = (who: Actor, when: string, post: number) =>
    withdrawPost(deps(db, when), who, SEALED, postId(post));

  it('gives the text back as a draft, and the post is read and counted no more', async () => {
    const { rafi, noor } = world.people;
    await shared(db, noor, SEALED, 'Mon 09:00', shareInput('Noor was here first.'));
    const { post } = await shared(db, rafi, SEALED, 'Tue 10:00', shareInput('A hasty first try.'));
    expect(await withdraw(rafi, 'Tue 10:30', post)).toMatchObject({ ok: true, value: { kind: 'response' } });
    const room = await responseRoom(deps(db, 'Tue 10:31'), rafi, SEALED);
    expect(room.ok && room.value.draft.doc).toEqual(text('A hasty first try.'));
    expect(room.ok && room.value.shared).toEqual([]);
    expect(room.ok && room.value.head.ledger?.obligations[0]?.state).toBe('draft');
    const read = await conversation(deps(db, 'Tue 10:31'), noor, SEALED, { post, filter: 'all' });
    expect(JSON.stringify(read)).not.toContain('hasty');
    expect(await withdraw(rafi, 'Tue 10:32', post)).toMatchObject({ failure: { code: 'gone' } });
  });

  it('is not possible once it is answered, nor after the deadline, nor for another', async () => {
    const { jun, kwame } = world.people;
    const { post } = await shared(db, jun, SEALED, 'Tue 10:00', shareInput('Jun’s own response.'));
    expect(await withdraw(kwame, 'Tue 10:05', post)).toMatchObject({ failure: { code: 'not-found' } });
    expect(await withdraw(jun, 'Fri 00:00', post)).toMatchObject({ failure: { code: 'deadline-passed' } });
    await shared(db, kwame, SEALED, 'Tue 11:00', shareInput('Kwame’s own response.'));
    const answer = await shared(
      db,
      kwame,
      SEALED,
      'Tue 11:30',
      shareInput('I see it so too.', { kind: 'reply', parent: post }),
    );
    expect(await withdraw(jun, 'Tue 12:00', post)).toMatchObject({ failure: { code: 'answered' } });
    // An answer that is gone answers no more.
    await takeBack(db, answer.post, 'withdrawn', on('Tue 12:10'));
    expect((await withdraw(jun, 'Tue 12:20', post)).ok).toBe(true);
  });
});

describe('a short response, behind the seal', () => {
  const desk = async (who: Actor, when: string, post: number) => {
    const found = await changingPost(deps(db, when), who, SEALED, postId(post));
    return found.ok ? found.value : found.failure.code;
  };

  it('is opened for changing by its author alone, and opens the seal when it is long enough', async () => {
    const { imani, noor, rafi } = world.people;
    const noors = await shared(db, noor, SEALED, 'Mon 09:00', shareInput('About herons and meadows.'));
    const { post } = await shared(db, imani, SEALED, 'Tue 10:00', shareInput('Too short.'));
    const found = await desk(imani, 'Tue 10:10', post);
    expect(found).toMatchObject({ post: { doc: text('Too short.') }, refused: null, withdrawal: null });
    expect(JSON.stringify(found)).not.toContain('herons');
    // Noor’s is behind the seal for Imani, Imani’s is behind it for Rafi, and neither is theirs.
    expect(await desk(imani, 'Tue 10:10', noors.post)).toBe('not-found');
    expect(await desk(rafi, 'Tue 10:10', post)).toBe('not-found');
    const read = () =>
      conversation(deps(db, 'Tue 10:30'), imani, SEALED, { post: noors.post, filter: 'all' });
    expect(JSON.stringify(await read())).not.toContain('herons');
    await changePost(deps(db, 'Tue 10:20'), imani, SEALED, postId(post), {
      title: '',
      doc: text('Now it is long enough.'),
    });
    expect(JSON.stringify(await read())).toContain('herons');
  });

  it('is withdrawn while nobody has answered it; the desk and the press are of one mind', async () => {
    const { jun, kwame } = world.people;
    await shared(db, kwame, SEALED, 'Tue 09:00', shareInput('Kwame is in the room.'));
    const { post } = await shared(db, jun, SEALED, 'Tue 10:00', shareInput('Too short.'));
    const answer = await shared(
      db,
      kwame,
      SEALED,
      'Tue 10:20',
      shareInput('Say more, please.', { kind: 'reply', parent: post }),
    );
    expect(await desk(jun, 'Tue 10:30', post)).toMatchObject({ withdrawal: { code: 'answered' } });
    const press = () => withdrawPost(deps(db, 'Tue 10:30'), jun, SEALED, postId(post));
    expect(await press()).toMatchObject({ failure: { code: 'answered' } });
    await takeBack(db, answer.post, 'withdrawn', on('Tue 10:40'));
    expect(await desk(jun, 'Tue 10:50', post)).toMatchObject({ withdrawal: null });
    expect(await press()).toMatchObject({ ok: true, value: { kind: 'response' } });
    expect(await desk(jun, 'Tue 11:00', post)).toMatchObject({ withdrawal: { code: 'gone' } });
  });
});
