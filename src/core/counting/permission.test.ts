import { at, schedule } from '../../../tests/fixtures/build';
import { isSealedFor, refusal } from './permission';

const ask = (over: object) =>
  refusal({
    kind: 'response',
    schedule: schedule(),
    sealed: true,
    responded: false,
    now: at('Tue 12:00'),
    ...over,
  })?.code ?? 'may share';

describe('only the calendar, the late rule and the seal refuse', () => {
  it.each([
    ['before it opens', { now: at('Mon 05:00') }, 'not-open-yet'],
    ['a response in time', {}, 'may share'],
    ['a first response after its deadline', { now: at('Fri 09:00') }, 'response-deadline-passed'],
    ['a further response after it', { now: at('Fri 09:00'), responded: true }, 'may share'],
    ['a reply behind the seal', { kind: 'reply' }, 'sealed'],
    ['a reply after one’s response', { kind: 'reply', responded: true }, 'may share'],
    ['a reply without a seal', { kind: 'reply', sealed: false }, 'may share'],
    ['anything after the end', { kind: 'reply', responded: true, now: schedule().closes }, 'closed'],
    [
      'a reply after its deadline while an extended response is open',
      {
        kind: 'reply',
        responded: true,
        schedule: schedule({ extensions: { response: '2026-10-20T12:00' } }),
        now: schedule().replies.closes,
      },
      'reply-deadline-passed',
    ],
  ])('%s', (_name, over, expected) => {
    expect(ask(over)).toBe(expected);
  });
});

describe('the seal', () => {
  const seal = (over: object) =>
    isSealedFor({ sealed: true, responded: false, schedule: schedule(), now: at('Fri 10:00'), ...over });
  it('holds until one’s own response is shared', () => {
    expect(seal({})).toBe(true);
    expect(seal({ responded: true })).toBe(false);
  });
  it('opens for reading when nothing more can be shared', () => {
    expect(seal({ now: schedule().closes })).toBe(false);
  });
  it('is not there where the brief has none', () => {
    expect(seal({ sealed: false })).toBe(false);
  });
});
