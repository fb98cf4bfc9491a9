import { markSchema } from '@/core/marks/mark';
import { MarkKeeper } from './mark-keeper';

type Answer = Awaited<ReturnType<ConstructorParameters<typeof MarkKeeper>[1]>>;
const opened = { mark: markSchema.parse({}), revision: 3 };

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

function keeper(answers: Answer[]) {
  const sent: { remark: string; base: number }[] = [];
  const k = new MarkKeeper(opened, (mark, base) => {
    sent.push({ remark: mark.remark, base });
    return Promise.resolve(answers.shift() ?? { ok: true, value: { revision: base + 1 } });
  });
  return { k, sent };
}
const theirs: Answer = {
  ok: false,
  code: 'changed-meanwhile',
  mark: markSchema.parse({ remark: 'Theirs.' }),
  revision: 9,
  marker: 'Bastian Grey',
};

describe('a mark that is written', () => {
  it('is kept a moment after its last change, on what was kept before', async () => {
    const { k, sent } = keeper([]);
    k.change({ remark: 'G' });
    k.change({ remark: 'Go' });
    expect(k.read().state).toBe('keeping');
    await jest.advanceTimersByTimeAsync(400);
    k.change({ remark: 'Good' });
    await jest.advanceTimersByTimeAsync(400);
    expect(sent).toEqual([
      { remark: 'Go', base: 3 },
      { remark: 'Good', base: 4 },
    ]);
    expect([k.read().state, k.isOpen()]).toEqual(['kept', false]);
  });

  it('is tried again without a connection, with what was written since', async () => {
    const { k, sent } = keeper([{ ok: false, code: 'no-answer' }]);
    k.change({ remark: 'Not lost' });
    await jest.advanceTimersByTimeAsync(400);
    expect([k.read().state, k.isOpen()]).toEqual(['trying', true]);
    await jest.advanceTimersByTimeAsync(4_000);
    expect(sent).toHaveLength(2);
    expect(k.read().state).toBe('kept');
  });

  it('waits for a choice where somebody else wrote on it, and sends nothing before', async () => {
    const { k, sent } = keeper([theirs]);
    k.change({ remark: 'Mine.' });
    await jest.advanceTimersByTimeAsync(400);
    k.change({ remark: 'Mine, and more.' });
    await jest.advanceTimersByTimeAsync(10_000);
    expect(sent).toHaveLength(1);
    expect(k.read()).toMatchObject({
      theirs: { marker: 'Bastian Grey' },
      mark: { remark: 'Mine, and more.' },
    });
    k.keepMine();
    await jest.advanceTimersByTimeAsync(0);
    expect(sent[1]).toEqual({ remark: 'Mine, and more.', base: 9 });
  });

  it('gives way to theirs by wish, and goes on from that', async () => {
    const { k, sent } = keeper([theirs]);
    k.change({ remark: 'Mine.' });
    await jest.advanceTimersByTimeAsync(400);
    k.takeTheirs();
    expect(k.read()).toMatchObject({ mark: { remark: 'Theirs.' }, state: 'kept', theirs: null });
    k.change({ remark: 'Theirs, and mine.' });
    await jest.advanceTimersByTimeAsync(400);
    expect(sent.at(-1)).toEqual({ remark: 'Theirs, and mine.', base: 9 });
  });
});
