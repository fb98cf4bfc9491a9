import { FairQueue } from './fair-queue';

describe('the queue of those who read', () => {
  const held = () => {
    let done = () => {};
    const until = new Promise<void>((resolve) => (done = resolve));
    return { until, done };
  };

  it('does one thing of a person at a time, and gives the next turn to who waits longest', async () => {
    const queue = new FairQueue(1, 10);
    const order: string[] = [];
    const first = held();
    const work =
      (name: string, until: Promise<void> = Promise.resolve()) =>
      async () => {
        order.push(name);
        await until;
        return name;
      };
    const all = [
      queue.take('imani', work('imani 1', first.until)),
      queue.take('imani', work('imani 2')),
      queue.take('imani', work('imani 3')),
      queue.take('noor', work('noor 1')),
    ];
    first.done();
    await Promise.all(all);
    expect(order).toEqual(['imani 1', 'imani 2', 'noor 1', 'imani 3']);
  });

  it('keeps no lane for somebody who has one already', async () => {
    const queue = new FairQueue(2, 10);
    const slow = held();
    let second = false;
    const one = queue.take('imani', () => slow.until);
    const two = queue.take('imani', async () => void (second = true));
    expect(await queue.take('noor', async () => 'read')).toBe('read');
    expect(second).toBe(false);
    slow.done();
    await Promise.all([one, two]);
    expect(second).toBe(true);
  });

  it('takes no more of one person than may wait, and goes on after what failed', async () => {
    const queue = new FairQueue(1, 1);
    const slow = held();
    const one = queue.take('imani', () => slow.until);
    const waiting = queue.take('imani', async () => {
      throw new Error('cannot be read');
    });
    expect(await queue.take('imani', async () => 'too much')).toBeNull();
    const other = queue.take('noor', async () => 'read');
    slow.done();
    await one;
    await expect(waiting).rejects.toThrow('cannot be read');
    expect(await other).toBe('read');
  });
});
