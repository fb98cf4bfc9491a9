import { endAfter, processTime } from './process-time';

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

/** A reading that is watched, by an account that grows by so much in each second of the wall. */
function watched(perSecond: number | null) {
  const ended = jest.fn();
  const began = Date.now();
  const timer = endAfter(7, 2_000, ended, () =>
    perSecond === null ? null : ((Date.now() - began) / 1_000) * perSecond,
  );
  return { ended, stop: () => clearTimeout(timer) };
}

test('what takes all of a processor is ended after its time', () => {
  const { ended, stop } = watched(1_000);
  jest.advanceTimersByTime(1_900);
  expect(ended).not.toHaveBeenCalled();
  jest.advanceTimersByTime(200);
  expect(ended).toHaveBeenCalled();
  stop();
});

test('what seldom has its turn on a busy machine is not ended for that, and not waited for without end', () => {
  const { ended, stop } = watched(100);
  jest.advanceTimersByTime(11_800);
  expect(ended).not.toHaveBeenCalled();
  jest.advanceTimersByTime(400);
  expect(ended).toHaveBeenCalled();
  stop();
});

test('where the system keeps no account the clock on the wall is its measure', () => {
  const { ended, stop } = watched(null);
  jest.advanceTimersByTime(2_100);
  expect(ended).toHaveBeenCalledTimes(1);
  stop();
});

test('a process that works has had a processor for longer, where there is such an account', () => {
  const before = processTime(process.pid) ?? 0;
  let n = 0;
  while ((processTime(process.pid) ?? Infinity) - before < 50) n += 1;
  expect(n).toBeGreaterThan(0);
  expect(processTime(0)).toBeNull();
});
