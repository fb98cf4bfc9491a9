import type { Substance } from '@/core/substance/on-document';
import { Weighing } from './weighing';

const MEASURES = {
  argued: 0.5,
  addressed: 0.5,
  topical: 0.3,
  adrift: 0,
  idle: 0,
  ownPost: 0,
  reported: 0,
  retold: 0,
  stock: 0,
  weighed: 0.5,
};
const draft = (text: string): Substance => ({
  score: 0.4,
  verdict: 'fair',
  words: 9,
  text,
  measures: MEASURES,
  doing: [],
  found: [],
  repeats: null,
});

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

it('asks at a pause for the newest text alone, and once', async () => {
  const asked: string[] = [];
  const heard = jest.fn();
  const weighing = new Weighing((text) => {
    asked.push(text);
    return Promise.resolve(new Array<number>(26).fill(0));
  }, heard);
  weighing.of(draft('But wh'));
  jest.advanceTimersByTime(400);
  weighing.of(draft('But who pays'));
  await jest.advanceTimersByTimeAsync(800);
  expect(asked).toEqual(['But who pays']);
  expect(heard).toHaveBeenCalledTimes(1);
  weighing.of(draft('But who pays'));
  await jest.advanceTimersByTimeAsync(5_000);
  expect(asked).toHaveLength(1);
});

it('goes by the last meaning known until the next is', async () => {
  const weighing = new Weighing(
    () => Promise.resolve(new Array<number>(26).fill(0)),
    () => undefined,
  );
  expect(weighing.of(draft('But who')).score).toBe(0.4);
  await jest.advanceTimersByTimeAsync(800);
  const known = weighing.of(draft('But who')).score;
  expect(known).not.toBe(0.4);
  expect(weighing.of(draft('But who pays')).score).toBe(known);
});

it('leaves what is judged by words alone where nobody answers, and asks at the next pause again', async () => {
  const asked: string[] = [];
  const weighing = new Weighing(
    (text) => {
      asked.push(text);
      return Promise.resolve(null);
    },
    () => undefined,
  );
  weighing.of(draft('But who'));
  await jest.advanceTimersByTimeAsync(800);
  expect(weighing.of(draft('But who')).verdict).toBe('fair');
  weighing.of(draft('But who pays'));
  await jest.advanceTimersByTimeAsync(800);
  expect(asked).toEqual(['But who', 'But who pays']);
});

it('asks no more once its page has gone', async () => {
  const ask = jest.fn();
  const weighing = new Weighing(ask, () => undefined);
  weighing.of(draft('But who'));
  weighing.stop();
  await jest.advanceTimersByTimeAsync(5_000);
  expect(ask).not.toHaveBeenCalled();
});
