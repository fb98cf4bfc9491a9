import fc from 'fast-check';
import { randomUUID } from 'node:crypto';
import { covered } from './covered';
import { commentMarks, commentSchema, numbered, saysSomething, type Comment } from './comment';
import { releasable } from './release';
import { markSchema, type Scheme } from './mark';

const comment = (post: number, start: number, end: number, part: Partial<Comment> = {}): Comment =>
  commentSchema.parse({
    id: randomUUID(),
    post,
    n: 1,
    anchor: { exact: 'x'.repeat(Math.max(1, end - start)), prefix: '', suffix: '', start, end },
    body: 'Why?',
    ...part,
  });
const where = (c: Comment) => ({ start: c.anchor.start, end: c.anchor.end });

describe('comments', () => {
  it('have their numbers by post and place, those whose passage is gone last', () => {
    const [late, early, reply, gone] = [
      comment(1, 50, 60),
      comment(1, 2, 9),
      comment(2, 0, 4),
      comment(1, 0, 1),
    ];
    const all = numbered([late, early, reply, gone], [1, 2], (c) => (c === gone ? null : where(c)));
    expect(all.map((n) => [n.number, n.comment.id])).toEqual([
      [1, early.id],
      [2, late.id],
      [3, gone.id],
      [4, reply.id],
    ]);
  });
  it('share a mark where their passages overlap, and every passage lies in exactly one', () => {
    const spans = fc.array(fc.tuple(fc.nat(60), fc.integer({ min: 1, max: 20 })), { maxLength: 12 });
    fc.assert(
      fc.property(spans, (all) => {
        const comments = all.map(([start, length]) => comment(1, start, start + length));
        const marks = commentMarks(numbered(comments, [1], where), 1);
        marks.forEach((m, i) => expect(m.start).toBeGreaterThanOrEqual(marks[i - 1]?.end ?? 0));
        for (const c of comments) {
          const holding = marks.filter((m) => m.ids.includes(c.id));
          expect(holding).toHaveLength(1);
          expect(holding[0]?.start).toBeLessThanOrEqual(c.anchor.start);
          expect(holding[0]?.end).toBeGreaterThanOrEqual(c.anchor.end);
        }
      }),
    );
  });
  it('say something by words, by other words, or by striking', () => {
    expect(saysSomething(comment(1, 0, 1))).toBe(true);
    expect(saysSomething(comment(1, 0, 1, { body: ' ' }))).toBe(false);
    expect(saysSomething(comment(1, 0, 1, { body: '', instead: '' }))).toBe(true);
  });
});

describe('what can be released', () => {
  const scheme: Scheme = { by: 'points', of: 10 };
  const given = (part: object) => ({ scheme, late: null, mark: markSchema.parse(part) });
  it('is what is said in full and is not seen already', () => {
    expect(releasable(given({}), null)).toBe('open');
    expect(releasable(given({ points: 4 }), null)).toBe('new');
    expect(releasable(given({ points: 4 }), given({ points: 4 }))).toBe('same');
    expect(releasable(given({ points: 4.5 }), given({ points: 4 }))).toBe('changed');
    expect(releasable(given({ points: 4, remark: ' ' }), given({ points: 4 }))).toBe('same');
  });
  it('is a comment more, one less and one in other words, and no empty one', () => {
    const c = comment(1, 0, 4);
    const seen = given({ points: 4, comments: [c] });
    expect(releasable(given({ points: 4, comments: [c] }), seen)).toBe('same');
    expect(releasable(given({ points: 4, comments: [] }), seen)).toBe('changed');
    expect(releasable(given({ points: 4, comments: [{ ...c, body: 'Why so?' }] }), seen)).toBe('changed');
    expect(releasable(given({ points: 4, comments: [c, comment(1, 5, 6, { body: '' })] }), seen)).toBe(
      'same',
    );
  });
  it('is, where nothing is marked, only what says something', () => {
    const read = (part: object) => ({
      scheme: { by: 'remarks' } as const,
      late: null,
      mark: markSchema.parse(part),
    });
    expect(releasable(read({}), null)).toBe('open');
    expect(releasable(read({ remark: 'Well argued.' }), null)).toBe('new');
    expect(releasable(read({ comments: [comment(1, 0, 1)] }), null)).toBe('new');
  });
});

describe('a class whose names are covered', () => {
  it('is the same people, each once, by a number, and stays so for one discussion', () => {
    const people = fc
      .uniqueArray(fc.uuid(), { maxLength: 30 })
      .map((ids) => ids.map((id) => ({ id, name: `Name of ${id}` })));
    fc.assert(
      fc.property(people, fc.string(), (all, seed) => {
        const seen = covered(all, seed);
        expect(seen.map((p) => p.id).sort()).toEqual(all.map((p) => p.id).sort());
        expect(seen.map((p) => p.name)).toEqual(all.map((_, i) => `Student ${i + 1}`));
        // Whatever order they are given in says nothing of the one they get.
        expect(covered([...all].reverse(), seed)).toEqual(seen);
      }),
    );
  });
});
