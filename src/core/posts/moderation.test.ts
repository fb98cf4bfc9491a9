import { actsOn, wantsReason } from './moderation';
import { isFollowed } from './following';

const post = (over: Partial<Parameters<typeof actsOn>[0]> = {}) => ({
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
    expect(actsOn(post(), false)).toEqual(['report']);
    expect(actsOn(post({ mine: true }), false)).toEqual([]);
    expect(actsOn(post({ hidden: true }), false)).toEqual([]);
  });
  it('staff pin and lock responses, hide what others wrote, and undo each', () => {
    expect(actsOn(post(), true)).toEqual(['pin', 'lock', 'hide']);
    expect(actsOn(post({ pinned: true, locked: true }), true)).toEqual(['unpin', 'unlock', 'hide']);
    expect(actsOn(post({ kind: 'reply' }), true)).toEqual(['hide']);
    expect(actsOn(post({ mine: true }), true)).toEqual(['pin', 'lock']);
    expect(actsOn(post({ hidden: true }), true)).toEqual(['show']);
  });
  it('nobody does anything about what its author withdrew', () => {
    expect(actsOn(post({ withdrawn: true }), true)).toEqual([]);
    expect(actsOn(post({ withdrawn: true }), false)).toEqual([]);
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
