import { unreadPosts, type ReadingFigures } from './unread';

const figures = (over: Partial<ReadingFigures> = {}): ReadingFigures => ({
  classPosts: 12,
  privatePosts: 3,
  readClass: 7,
  readPrivate: 1,
  privateUnread: 0,
  ...over,
});
const mine = (over: Partial<{ private: boolean; withdrawn: boolean; hidden: boolean }> = {}) => ({
  private: false,
  withdrawn: false,
  hidden: false,
  ...over,
});

describe('unread posts', () => {
  it('are the class’s posts less mine and those I read', () => {
    expect(unreadPosts(figures(), [mine(), mine()], false)).toBe(3);
  });
  it('do not count my withdrawn or hidden posts against me a second time', () => {
    expect(unreadPosts(figures(), [mine(), mine({ withdrawn: true }), mine({ hidden: true })], false)).toBe(
      4,
    );
  });
  it('hold private replies to me, and nobody else’s', () => {
    expect(unreadPosts(figures({ privateUnread: 2 }), [mine({ private: true })], false)).toBe(7);
  });
  it('hold every private reply for staff, who may read them', () => {
    expect(unreadPosts(figures(), [mine(), mine({ private: true })], true)).toBe(12 - 1 - 7 + 3 - 1 - 1);
  });
});
