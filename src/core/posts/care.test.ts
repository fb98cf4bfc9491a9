import { careOf, wantsReason } from './care';
import { isFollowed } from './following';

const post = (over: Partial<Parameters<typeof careOf>[0]> = {}) => ({
  kind: 'response' as const,
  mine: false,
  private: false,
  withdrawn: false,
  hidden: false,
  pinned: false,
  locked: false,
  ...over,
});

describe('what one may do about a post', () => {
  it('a reader reports what others wrote and what stands', () => {
    expect(careOf(post(), false)).toEqual(['report']);
    expect(careOf(post({ mine: true }), false)).toEqual([]);
    expect(careOf(post({ hidden: true }), false)).toEqual([]);
  });
  it('staff pin and lock responses, hide what others wrote, and undo each', () => {
    expect(careOf(post(), true)).toEqual(['pin', 'lock', 'hide']);
    expect(careOf(post({ pinned: true, locked: true }), true)).toEqual(['unpin', 'unlock', 'hide']);
    expect(careOf(post({ kind: 'reply' }), true)).toEqual(['hide']);
    expect(careOf(post({ mine: true }), true)).toEqual(['pin', 'lock']);
    expect(careOf(post({ hidden: true }), true)).toEqual(['show']);
  });
  it('nobody does anything about what its author withdrew', () => {
    expect(careOf(post({ withdrawn: true }), true)).toEqual([]);
    expect(careOf(post({ withdrawn: true }), false)).toEqual([]);
  });
  it('asks why where somebody must be able to ask why', () => {
    expect((['report', 'hide', 'show', 'pin', 'lock'] as const).filter(wantsReason)).toEqual([
      'report',
      'hide',
    ]);
  });
});

it('one follows where one has shared, until one says otherwise; and what one says stands', () => {
  expect(isFollowed(null, true)).toBe(true);
  expect(isFollowed(null, false)).toBe(false);
  expect(isFollowed(false, true)).toBe(false);
  expect(isFollowed(true, false)).toBe(true);
});
