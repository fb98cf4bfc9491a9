import { at, schedule } from '../../../tests/fixtures/build';
import { refusal, withdrawalRefusal } from './permission';

const ask = (over: object) =>
  refusal({
    kind: 'response',
    schedule: schedule(),
    seal: { because: 'no-response', opens: null },
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
    ['a reply after one’s response', { kind: 'reply', responded: true, seal: null }, 'may share'],
    [
      'a reply after a response that is short, before its deadline',
      { kind: 'reply', responded: true, seal: { because: 'short', opens: at('Thu 23:59') } },
      'sealed',
    ],
    ['a reply without a seal', { kind: 'reply', seal: null }, 'may share'],
    ['anything after the end', { kind: 'reply', responded: true, now: schedule().closes }, 'closed'],
    [
      'a reply after its deadline while an extended response is open',
      {
        kind: 'reply',
        responded: true,
        seal: null,
        schedule: schedule({ extensions: { response: '2026-10-20T12:00' } }),
        now: schedule().replies.closes,
      },
      'reply-deadline-passed',
    ],
  ])('%s', (_name, over, expected) => {
    expect(ask(over)).toBe(expected);
  });
});

describe('taking a response back', () => {
  const withdraw = (over: object) =>
    withdrawalRefusal({
      kind: 'response',
      gone: false,
      answered: false,
      openedOthers: false,
      schedule: schedule(),
      now: at('Tue 12:00'),
      ...over,
    })?.code ?? 'may withdraw';
  it.each([
    ['before anything else', {}, 'may withdraw'],
    ['after a classmate’s post was opened', { openedOthers: true }, 'opened-others'],
    ['a reply, whatever was opened', { kind: 'reply', openedOthers: true }, 'may withdraw'],
    ['once it is answered', { answered: true, openedOthers: true }, 'answered'],
    ['after its deadline', { now: at('Fri 09:00') }, 'deadline-passed'],
  ])('%s', (_name, over, expected) => {
    expect(withdraw(over)).toBe(expected);
  });
});
