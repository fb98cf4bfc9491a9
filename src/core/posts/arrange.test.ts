import fc from 'fast-check';
import { postId } from '../ids';
import { ARRANGEMENTS, inArrangement, pageOf, stepsFrom, threadsInOrder } from './arrange';
import { threads } from './thread';

const post = (id: number, parent: number | null, sharedAt = id, pinned = false) => ({
  id: postId(id),
  parent: parent === null ? null : postId(parent),
  sharedAt,
  pinned,
});
type Post = ReturnType<typeof post>;

const room: fc.Arbitrary<Post[]> = fc
  .array(fc.tuple(fc.nat(), fc.nat(9), fc.boolean()), { minLength: 1, maxLength: 40 })
  .map((seeds) =>
    seeds.map(([seed, at, pinned], i) => {
      const isReply = i > 0 && seed % 4 !== 0;
      return post(i + 1, isReply ? (seed % i) + 1 : null, at, pinned && !isReply);
    }),
  );
const numbers = (posts: Post[], as: (typeof ARRANGEMENTS)[number], newestFirst = false) =>
  inArrangement(threads(posts), { as, newestFirst }).map((b) => Number(b.post.id));

describe('an arrangement', () => {
  it('lists what staff pinned first, then the newest response, each with its replies', () => {
    const posts = [post(1, null), post(2, null, 2, true), post(3, 1), post(4, null), post(5, 3)];
    expect(threadsInOrder(threads(posts)).map((t) => Number(t.post.id))).toEqual([2, 4, 1]);
    expect(numbers(posts, 'threads')).toEqual([2, 4, 1, 3, 5]);
    expect(numbers(posts, 'headlines')).toEqual([2, 4, 1, 3, 5]);
  });
  it('by time is as it was said, from either end, whatever is pinned', () => {
    const posts = [post(1, null, 5), post(2, null, 1, true), post(3, 2, 9)];
    expect(numbers(posts, 'time')).toEqual([2, 1, 3]);
    expect(numbers(posts, 'time', true)).toEqual([3, 1, 2]);
  });
  it('shows every post once', () => {
    fc.assert(
      fc.property(room, fc.constantFrom(...ARRANGEMENTS), fc.boolean(), (posts, as, newestFirst) => {
        expect(numbers(posts, as, newestFirst).sort((a, b) => a - b)).toEqual(posts.map((p) => Number(p.id)));
      }),
    );
  });
});

describe('pages', () => {
  it('hold everything once between them, and the open place lies on the page that is shown', () => {
    fc.assert(
      fc.property(fc.nat(300), fc.integer({ min: 1, max: 50 }), fc.nat(299), (length, size, at) => {
        const { pages } = pageOf(length, size, { page: null, at: 0 });
        const all = Array.from({ length: pages }, (_, i) => pageOf(length, size, { page: i + 1, at: 0 }));
        expect(all.reduce((n, p) => n + (p.to - p.from), 0)).toBe(length);
        for (const [i, p] of all.entries()) expect(p.from).toBe(all[i - 1]?.to ?? 0);
        const shown = pageOf(length, size, { page: null, at });
        if (at < length) expect(at >= shown.from && at < shown.to).toBe(true);
      }),
    );
  });
  it('that are not there lead to the nearest one', () => {
    expect(pageOf(10, 4, { page: 99, at: 0 })).toEqual({ page: 3, pages: 3, from: 8, to: 10 });
    expect(pageOf(0, 4, { page: null, at: -1 })).toEqual({ page: 1, pages: 1, from: 0, to: 0 });
  });
});

describe('steps', () => {
  const order = [5, 3, 9, 1].map(postId);
  it('lead to the neighbours, and from nowhere to the first', () => {
    expect(stepsFrom(order, postId(3), () => false)).toEqual({ previous: 5, next: 9, unread: [] });
    expect(stepsFrom(order, null, () => false)).toEqual({ previous: null, next: 5, unread: [] });
    expect(stepsFrom(order, postId(1), () => false)).toEqual({ previous: 9, next: null, unread: [] });
  });
  it('to what is unread begin behind the open post and come round', () => {
    expect(stepsFrom(order, postId(9), (id) => id !== 9).unread).toEqual([1, 5, 3]);
  });
  it('reach every unread post, one after the other', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.nat(60), { maxLength: 60 }), fc.nat(), (ids, seed) => {
        const posts = ids.map((id) => postId(id + 1));
        const unread = new Set(posts.filter((id) => (id * 7 + seed) % 3 === 0));
        const all = unread.size;
        let at = posts[seed % Math.max(1, posts.length)] ?? null;
        if (at !== null) unread.delete(at);
        for (let i = 0; i < all && unread.size; i += 1) {
          const [next] = stepsFrom(posts, at, (id) => unread.has(id)).unread;
          expect(next).toBeDefined();
          at = next ?? null;
          if (at !== null) unread.delete(at);
        }
        expect(unread.size).toBe(0);
      }),
    );
  });
});
