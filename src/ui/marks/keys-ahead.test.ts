import { KeysAhead } from './keys-ahead';

describe('keys pressed on the way to the next student', () => {
  it('wait for the next, and are the page’s where one is not on the way', () => {
    const ahead = new KeysAhead(() => 0);
    expect(ahead.hear('2')).toBe(false);
    ahead.leave();
    expect(['2', '1', 'Shift'].map(ahead.hear)).toEqual([true, true, true]);
    expect(ahead.arrive()).toEqual(['2', '1']);
    expect(ahead.arrive()).toEqual([]);
    expect(ahead.hear('2')).toBe(false);
  });

  it('leave that one as well, where one skips a student', () => {
    const ahead = new KeysAhead(() => 0);
    ahead.leave('j');
    ahead.leave('j');
    ahead.hear('1');
    expect(ahead.arrive()).toEqual(['j', '1']);
  });

  it('are given up where nothing comes', () => {
    let now = 0;
    const ahead = new KeysAhead(() => now);
    ahead.leave();
    ahead.hear('2');
    now = 6_000;
    expect(ahead.hear('3')).toBe(false);
  });
});
