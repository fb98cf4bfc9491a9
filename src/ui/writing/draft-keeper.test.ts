import { instant } from '@/core/ids';
import { doc } from '../../../tests/fixtures/build';
import { DraftKeeper, isNewerHere, type KeepAnswer, type KeepRequest } from './draft-keeper';

const place = { slug: 'geo-1', course: 'geo', person: 'imani', kind: 'response' as const, parent: null };
const opened = { title: '', doc: doc(''), revision: 0, submission: 's1', keptAt: null };

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

function keeper(answers: KeepAnswer[]) {
  const sent: KeepRequest[] = [];
  let local: unknown = null;
  let held: Promise<void> | null = null;
  const k = new DraftKeeper(place, opened, {
    keep: async (request) => {
      sent.push(request);
      const mine = held;
      held = null;
      await mine;
      return (
        answers.shift() ?? {
          ok: true,
          value: { revision: sent.length, keptAt: instant(1_000 + sent.length), submission: 's1' },
        }
      );
    },
    keepLocal: (copy) => (local = copy),
    forgetLocal: () => (local = null),
  });
  const type = (text: string) => k.change({ title: '', doc: doc(text) });
  /** The next answer waits until it is let go. */
  const answerLater = () => {
    let go = () => {};
    held = new Promise((resolve) => (go = resolve));
    return () => go();
  };
  return { k, sent, type, answerLater, local: () => local };
}
const NO_ANSWER: KeepAnswer = { ok: false, code: 'no-answer' };

describe('a draft', () => {
  it('is on this machine at once and on the server when typing stops', async () => {
    const { k, sent, type, local } = keeper([]);
    type('T');
    type('Th');
    expect(local()).not.toBeNull();
    expect(sent).toHaveLength(0);
    await jest.advanceTimersByTimeAsync(900);
    expect(sent.map((r) => r.doc)).toEqual([doc('Th')]);
    expect(k.keeping()).toEqual({ state: 'kept', at: 1_001 });
    expect(local()).toMatchObject({ title: '', doc: doc('Th'), base: 1, kept: true, submission: 's1' });
  });

  it('is sent every few seconds while typing never stops', async () => {
    const { sent, type } = keeper([]);
    for (let i = 0; i < 40; i += 1) {
      type(`word ${i}`);
      await jest.advanceTimersByTimeAsync(300);
    }
    expect(sent.length).toBeGreaterThanOrEqual(2);
  });

  it('stays on this machine without a connection, is tried again, and says so', async () => {
    const { k, sent, type, local } = keeper([NO_ANSWER, NO_ANSWER]);
    type('Not lost');
    await jest.advanceTimersByTimeAsync(900);
    expect(k.keeping()).toEqual({ state: 'local', why: 'no-answer' });
    expect(local()).toMatchObject({ doc: doc('Not lost'), base: 0, kept: false });
    await jest.advanceTimersByTimeAsync(10_000);
    expect(sent).toHaveLength(3);
    expect(k.keeping().state).toBe('kept');
    expect(local()).toMatchObject({ kept: true });
  });

  it('goes on from the revision the server gave', async () => {
    const { sent, type } = keeper([]);
    type('one');
    await jest.advanceTimersByTimeAsync(900);
    type('two');
    await jest.advanceTimersByTimeAsync(900);
    expect(sent.map((r) => r.base)).toEqual([0, 1]);
  });

  it('is left while it is being kept: the last words go over beside that, as the later keep of one page', async () => {
    const { k, sent, type, answerLater, local } = keeper([]);
    const answer = answerLater();
    type('and sheep');
    await jest.advanceTimersByTimeAsync(900);
    type('and sheep and goats');
    const left = k.leave();
    expect(sent.at(-1)?.doc).toEqual(doc('and sheep and goats'));
    answer();
    await left;
    const [first, second] = sent.map((r) => r.window);
    expect(first).toMatchObject({ nth: 1 });
    expect(second).toEqual({ ...first, nth: 2 });
    await jest.advanceTimersByTimeAsync(0);
    expect(k.keeping().state).toBe('kept');
    expect(local()).toMatchObject({ doc: doc('and sheep and goats'), kept: true });
    expect(jest.getTimerCount()).toBe(0);
  });

  it('counts as kept here only when the newest of it is: the answer to an earlier keep is none to the last words', async () => {
    const { k, sent, type, answerLater, local } = keeper([]);
    const answer = answerLater();
    type('and sheep');
    await jest.advanceTimersByTimeAsync(900);
    type('and sheep and goats');
    const answerLast = answerLater();
    void k.leave();
    answer();
    await jest.advanceTimersByTimeAsync(0);
    expect(sent).toHaveLength(2);
    expect(local()).toMatchObject({ doc: doc('and sheep and goats'), kept: false });
    answerLast();
    await jest.advanceTimersByTimeAsync(0);
    expect(local()).toMatchObject({ doc: doc('and sheep and goats'), kept: true });
  });

  it('is left only when the last words are answered to, also where they were on their way: the next page tells of them', async () => {
    const { k, type, answerLater } = keeper([]);
    const answer = answerLater();
    type('and sheep');
    await jest.advanceTimersByTimeAsync(900);
    let changed: boolean | null = null;
    void k.leave().then((is) => (changed = is));
    await jest.advanceTimersByTimeAsync(0);
    expect(changed).toBeNull();
    answer();
    await jest.advanceTimersByTimeAsync(0);
    expect(changed).toBe(true);
  });

  it('that was left behind goes on from its own revision, so that a newer one is never written over', async () => {
    const { k, sent } = keeper([]);
    k.resume({ title: '', doc: doc('from the train'), base: 4, window: 'the page of the train' });
    await jest.advanceTimersByTimeAsync(900);
    expect(sent[0]).toMatchObject({ base: 4, conflict: 'tell', doc: doc('from the train') });
    expect(sent[0]?.window).toMatchObject({ nth: 1, after: 'the page of the train' });
  });

  it('on this machine is newer than the page only as this draft, and where it has more', () => {
    const opened = { revision: 3, submission: 's1' };
    const copy = { kept: true, base: 4, submission: 's1' };
    expect(isNewerHere(copy, opened)).toBe(true);
    expect(isNewerHere({ ...copy, base: 3 }, opened)).toBe(false);
    // Shared from another machine, withdrawn, and begun anew: an old draft's revision says nothing.
    expect(isNewerHere({ ...copy, base: 40, submission: 's0' }, opened)).toBe(false);
    expect(isNewerHere({ kept: false, base: 1, submission: 's0' }, opened)).toBe(true);
  });

  const elsewhere: KeepAnswer = {
    ok: false,
    code: 'other-window',
    title: 'Theirs',
    doc: doc('their text'),
    keptAt: instant(5),
    revision: 7,
    submission: 's2',
  };
  it('of two windows waits for a choice: this one’s text goes over the other by wish only', async () => {
    const { k, sent, type } = keeper([elsewhere]);
    type('mine');
    await jest.advanceTimersByTimeAsync(900);
    expect(k.keeping().state).toBe('elsewhere');
    await k.takeMine();
    expect(sent[1]).toMatchObject({ base: 7, conflict: 'replace', submission: 's2', doc: doc('mine') });
    expect(k.keeping().state).toBe('kept');
  });
  it('of two windows: the other text comes here, and this one is kept aside', async () => {
    const { k, sent, type } = keeper([elsewhere]);
    type('mine');
    await jest.advanceTimersByTimeAsync(900);
    expect(await k.takeOther()).toEqual({ title: 'Theirs', doc: doc('their text') });
    expect(sent[1]).toMatchObject({ conflict: 'aside', doc: doc('mine') });
    expect(k.submission).toBe('s2');
  });

  it('is sent when the page goes, and is over once it was shared', async () => {
    const { k, sent, type, local } = keeper([]);
    type('leaving');
    k.leave();
    expect(sent).toHaveLength(1);
    await jest.advanceTimersByTimeAsync(0);
    type('more');
    k.finish();
    await jest.advanceTimersByTimeAsync(5_000);
    expect(sent).toHaveLength(1);
    expect(local()).toBeNull();
  });
});
