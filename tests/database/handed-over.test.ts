import type { Knex } from 'knex';
import { postId } from '@/core/ids';
import { deskPage } from '@/server/desk/discussion';
import { actOnHanded, type HandedAct } from '@/server/desk/handed';
import { termPage } from '@/server/desk/term';
import { conversation } from '@/server/discussions/conversation';
import { responseRoom } from '@/server/discussions/response-room';
import { yourPart } from '@/server/discussions/your-part';
import { handOver, type HandOver } from '@/server/drafts/hand-over';
import { keepDraft } from '@/server/drafts/keep';
import { moderationPage } from '@/server/posts/moderation';
import { share } from '@/server/posts/share';
import { issueReceipt } from '@/server/receipts/issue';
import type { Actor } from '@/server/deps';
import { randomUUID } from 'node:crypto';
import { deps, on, OPEN, SEALED, shared, shareInput, smallCourse, text } from './world';

const GEO = 'geo-115';
let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
let n = 0;
beforeEach(async () => {
  n += 1;
  world = await smallCourse(`handed-${n}`);
  db = world.db;
});
afterEach(() => db.destroy());

const at = (when: string) => deps(db, when);
const hand = (who: Actor, over: Partial<HandOver> = {}, when = 'Fri 08:00', slug = OPEN) =>
  handOver(at(when), who, slug, {
    kind: 'response',
    parent: null,
    title: '',
    doc: text('Words that the machine kept from being shared.'),
    said: 'My laptop died at ten to midnight.',
    ...over,
  });
const handedTo = async (slug = OPEN, who = world.people.holt) => {
  const page = await deskPage(at('Fri 09:00'), who, GEO, slug);
  if (!page.ok) throw new Error(page.failure.code);
  return page.value.handed;
};
const answer = (act: HandedAct, who: Actor = world.people.holt, slug = OPEN) =>
  actOnHanded(at('Fri 10:00'), who, GEO, slug, act);
const stateOf = async (who: Actor, slug = OPEN) => {
  const part = await yourPart(at('Fri 11:00'), who, slug);
  if (!part.ok || !part.value.head.ledger) throw new Error('no part');
  return part.value.head.ledger.obligations.map((o) => o.state);
};

describe('a draft that is handed to the staff', () => {
  it('is with them with what happened and when it was written, after the deadline too', async () => {
    const { rafi } = world.people;
    const keeping = (words: string, base: number) =>
      keepDraft(at('Thu 23:40'), rafi, OPEN, {
        kind: 'response',
        parent: null,
        submission: randomUUID(),
        title: '',
        doc: text(words),
        base,
        conflict: 'tell',
      });
    await keeping('Words that the machine kept', 0);
    expect((await share(at('Fri 08:00'), rafi, OPEN, shareInput('Too late.'))).ok).toBe(false);
    expect(await hand(rafi)).toEqual({ ok: true, value: null });
    const [handed] = await handedTo();
    expect(handed).toMatchObject({
      name: 'Rafi Castellan',
      said: 'My laptop died at ten to midnight.',
      keptAt: on('Thu 23:40'),
    });
    const term = await termPage(at('Fri 09:00'), world.people.holt, GEO);
    expect(term.ok && term.value.needs[0]).toMatchObject({ kind: 'handed', n: 1, slug: OPEN });
    // It is still a draft, and nobody in the class reads it.
    expect(await stateOf(rafi)).toEqual(['missed', 'owed', 'owed', 'owed']);
    const read = await conversation(at('Fri 09:00'), world.people.noor, OPEN, { post: null, filter: 'all' });
    expect(JSON.stringify(read)).not.toContain('machine kept');
  });

  it('is the draft as it was kept last where no text comes with it, and nothing where there is none', async () => {
    const { rafi } = world.people;
    expect(await hand(rafi, { doc: undefined })).toMatchObject({ failure: { code: 'nothing-written' } });
    await keepDraft(at('Thu 23:40'), rafi, OPEN, {
      kind: 'response',
      parent: null,
      submission: randomUUID(),
      title: 'Kept',
      doc: text('Only what was kept.'),
      base: 0,
      conflict: 'tell',
    });
    await hand(rafi, { doc: undefined });
    expect((await handedTo())[0]).toMatchObject({ title: 'Kept', doc: text('Only what was kept.') });
  });

  it('counts as of the moment they name, is read by the class, and the receipt says so', async () => {
    const { rafi, holt } = world.people;
    await hand(rafi);
    const [handed] = await handedTo();
    const given = { act: 'let-count' as const, handed: handed?.id ?? '', asOf: '2026-10-15T23:50' };
    expect(await answer({ ...given, reason: '' })).toMatchObject({ failure: { code: 'no-reason' } });
    expect(await answer({ ...given, asOf: '2026-10-17T10:00', reason: 'x' })).toMatchObject({
      failure: { code: 'not-between' },
    });
    expect(await answer({ ...given, reason: 'The versions show it was written in time.' })).toMatchObject({
      ok: true,
    });
    expect(await stateOf(rafi)).toEqual(['counted', 'owed', 'owed', 'owed']);
    const read = await conversation(at('Fri 11:00'), world.people.noor, OPEN, { post: null, filter: 'all' });
    expect(JSON.stringify(read)).toContain('Rafi Castellan');
    const post = postId((await db('posts').where({ author_id: rafi.id }).first('id')).id);
    const issued = await issueReceipt(at('Fri 11:00'), rafi, post, null);
    if (!issued.ok) throw new Error(issued.failure.code);
    expect(issued.value.file.receipt).toMatchObject({
      sharedAt: '2026-10-15T23:50:00.000Z',
      accepted: { by: 'Dr. Maren Holt', reason: 'The versions show it was written in time.' },
    });
    const log = await moderationPage(at('Fri 11:00'), holt, OPEN);
    expect(JSON.stringify(log)).toContain('accept');
    const room = await responseRoom(at('Fri 11:00'), rafi, OPEN);
    expect(room.ok && room.value.handed).toMatchObject([{ answered: 'counted', asOf: on('Thu 23:50') }]);
    // Answered once.
    expect(await answer({ ...given, reason: 'again' })).toMatchObject({ failure: { code: 'not-found' } });
  });

  it('is given back with a reason, and stays the student’s', async () => {
    const { rafi } = world.people;
    await hand(rafi);
    const [handed] = await handedTo();
    await answer({ act: 'give-back', handed: handed?.id ?? '', reason: 'It was begun after the deadline.' });
    expect(await handedTo()).toEqual([]);
    const room = await responseRoom(at('Fri 11:00'), rafi, OPEN);
    expect(room.ok && room.value.handed).toMatchObject([
      { answered: 'given-back', reason: 'It was begun after the deadline.' },
    ]);
    expect(await db('posts').where({ author_id: rafi.id })).toHaveLength(0);
  });

  it('may be a reply, which then answers what it answered', async () => {
    const { rafi, noor } = world.people;
    const hers = (await shared(db, noor, OPEN, 'Tue 10:00', shareInput('Words of hers.'))).post;
    await hand(rafi, { kind: 'reply', parent: hers, doc: text('I see that otherwise.') }, 'Mon 09:00');
    await hand(rafi, { kind: 'reply', parent: hers, doc: text('I see that otherwise.') });
    const [handed] = await handedTo();
    expect(handed).toMatchObject({ kind: 'reply', to: 'Noor Vasquez' });
    await answer({ act: 'let-count', handed: handed?.id ?? '', asOf: '2026-10-14T10:00', reason: 'Seen.' });
    expect(await db('posts').where({ author_id: rafi.id }).first('parent_id', 'kind')).toEqual({
      parent_id: hers,
      kind: 'reply',
    });
  });

  it('is nobody’s to answer who does not teach the course, and nobody hands over what they cannot read', async () => {
    const { rafi, imani, stranger, noor } = world.people;
    await hand(rafi);
    const [handed] = await handedTo();
    const act = { act: 'give-back' as const, handed: handed?.id ?? '', reason: 'x' };
    for (const who of [imani, stranger])
      expect(await answer(act, who)).toMatchObject({ failure: { code: 'not-found' } });
    const sealed = (await shared(db, noor, SEALED, 'Tue 10:00', shareInput('Words of hers.'))).post;
    expect(await hand(rafi, { kind: 'reply', parent: sealed }, 'Fri 08:00', SEALED)).toMatchObject({
      failure: { code: 'not-found' },
    });
    for (let i = 0; i < 4; i += 1) expect((await hand(rafi)).ok).toBe(true);
    expect(await hand(rafi)).toMatchObject({ failure: { code: 'too-many-handed' } });
  });
});
