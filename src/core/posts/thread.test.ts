import fc from 'fast-check';
import { postId } from '../ids';
import { inReadingOrder, threads, type TreePost } from './thread';
import { startPace } from '../../../tests/fixtures/pace';

const post = (id: number, parent: number | null, sharedAt = id): TreePost => ({
  id: postId(id),
  parent: parent === null ? null : postId(parent),
  sharedAt,
});
const order = (posts: TreePost[]) =>
  threads(posts).map((t) => inReadingOrder(t).map((b) => [Number(b.post.id), b.depth]));

it('a response comes with its replies, each under what it answers, the oldest first', () =>
  expect(order([post(4, 1), post(1, null), post(3, 2), post(2, 1), post(5, null, 0)])).toEqual([
    [[5, 0]],
    [
      [1, 0],
      [2, 1],
      [3, 2],
      [4, 1],
    ],
  ]));

it('an answer to what one may not read is left out with all beneath it', () =>
  expect(order([post(1, null), post(3, 2), post(4, 3)])).toEqual([[[1, 0]]]));

it('every post that hangs on a response stands once, under its parent, whatever the order they come in', () => {
  fc.assert(
    fc.property(
      fc.array(fc.nat(), { maxLength: 40 }).chain((seeds) => {
        const all = seeds.map((seed, i) =>
          post(i + 1, i === 0 || seed % 5 === 0 ? null : (seed % i) + 1, seed % 7),
        );
        return fc.tuple(fc.constant(all), fc.shuffledSubarray(all, { minLength: all.length }));
      }),
      ([all, shuffled]) => {
        const branches = threads(shuffled).flatMap(inReadingOrder);
        expect(branches.map((b) => b.post.id).sort((a, b) => a - b)).toEqual(all.map((p) => p.id));
        for (const b of branches) {
          expect(b.replies.every((r) => r.post.parent === b.post.id && r.depth === b.depth + 1)).toBe(true);
          const times = b.replies.map((r) => r.post.sharedAt);
          expect(times).toEqual([...times].sort((x, y) => x - y));
        }
      },
    ),
  );
});

it('a room of thousands is laid out at once, and a very deep thread too', () => {
  const wide = Array.from({ length: 20_000 }, (_, i) => post(i + 1, i === 0 ? null : 1));
  const deep = Array.from({ length: 20_000 }, (_, i) => post(i + 1, i === 0 ? null : i));
  const took = startPace();
  for (const posts of [wide, deep]) expect(threads(posts).flatMap(inReadingOrder)).toHaveLength(20_000);
  // It took minutes when it grew with the square; measured at 0.1 s.
  expect(took()).toBeLessThan(3_000);
});
