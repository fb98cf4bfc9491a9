import type { NoticeKind } from './kinds';

/** What is said of a notice, or of several of one topic: names and numbers, and never what somebody wrote. */
export type NoticeFacts = {
  kind: NoticeKind;
  /** Who did it, the latest first, each once. */
  who: readonly string[];
  /** Of new posts, how many. */
  count: number;
  course: string;
  week: number | null;
  /** It happened among the questions of a course. */
  asks: boolean;
  post: number | null;
  about: Readonly<Record<string, string | number | boolean | null>>;
  /** Of an announcement: what stands over it. */
  title: string | null;
};

const SMALL = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];

/** A number as a sentence says it. @example inWords(3) // 'three' */
export const inWords = (n: number): string => SMALL[n] ?? String(n);

/**
 * Names as a sentence says them: at most two, and how many more.
 * @example namesInWords(['Kwame Sorley', 'Jun Hathaway', 'Noor Vasquez']) // 'Kwame Sorley, Jun Hathaway and one other'
 */
export function namesInWords(who: readonly string[]): string {
  const [a, b, ...rest] = who;
  if (a === undefined) return 'Somebody';
  if (b === undefined) return a;
  if (rest.length === 0) return `${a} and ${b}`;
  return `${a}, ${b} and ${inWords(rest.length)} ${rest.length === 1 ? 'other' : 'others'}`;
}

/** A stretch of time before a deadline, as somebody chooses it. @example beforeInWords(300) // 'five hours' */
export function beforeInWords(minutes: number): string {
  const say = (n: number, unit: string) => `${inWords(n)} ${unit}${n === 1 ? '' : 's'}`;
  if (minutes % 1_440 === 0) return say(minutes / 1_440, 'day');
  if (minutes % 60 === 0) return say(minutes / 60, 'hour');
  return minutes > 60
    ? `${say(Math.floor(minutes / 60), 'hour')} and ${say(minutes % 60, 'minute')}`
    : say(minutes, 'minute');
}

/**
 * How long it is until a deadline, as it is said: whole days, below two of them whole hours, below one hour minutes; 0 where it is past.
 * @example roughly(3 * 86_400_000 - 40_000) // 4320: three days
 */
export function roughly(ms: number): number {
  const minutes = Math.max(0, Math.round(ms / 60_000));
  const unit = minutes >= 2 * 1_440 - 30 ? 1_440 : minutes >= 60 ? 60 : 1;
  return Math.round(minutes / unit) * unit;
}

const weekOf = ({ week }: NoticeFacts) => (week === null ? 'your discussion' : `week ${week}`);

const ABOUT_CHANGE: Record<string, (f: NoticeFacts) => string> = {
  dates: (f) => `The dates of ${weekOf(f)} were changed`,
  prompt: (f) => `The prompt of ${weekOf(f)} was changed`,
  'more-time': (f) => `You have more time in ${weekOf(f)}`,
  excused: (f) => `You owe nothing in ${weekOf(f)} any more`,
  refused: (f) => `You asked for more time in ${weekOf(f)}: the deadlines stay as they are`,
  'draft-counted': (f) => `The draft you handed over counts in ${weekOf(f)}`,
  'draft-back': (f) => `The draft you handed over in ${weekOf(f)} was given back`,
  usual: (f) => `In ${weekOf(f)} you have everybody’s deadlines again`,
};

const ABOUT_REQUEST: Record<string, (f: NoticeFacts, who: string) => string> = {
  question: (f, who) => `${who} asks the staff: question ${String(f.about.question)}`,
  time: (f, who) => `${who} ${f.who.length > 1 ? 'ask' : 'asks'} for more time in ${weekOf(f)}`,
  mark: (f, who) => `${who} asks about the mark of ${weekOf(f)}`,
  note: (_, who) => `${who} asks the staff beside a reading`,
  draft: (f, who) => `${who} handed you a draft of ${weekOf(f)}`,
  again: (f, who) => `${who} gave a part of ${weekOf(f)} back, done again`,
};

const ABOUT_ANSWER: Record<string, (f: NoticeFacts, who: string) => string> = {
  question: (f, who) =>
    f.about.merged
      ? `Your question ${String(f.about.merged)} goes on in question ${String(f.about.question)}`
      : `${who} answered in question ${String(f.about.question)}`,
  note: (_, who) => `${who} answered your margin note`,
  mark: (_, who) => `${who} answered you about your mark`,
  opening: (f, who) => `${who} would like everybody to read your question ${String(f.about.question)}`,
  'meeting-moved': (f, who) =>
    `${who} moved the hour to meet in which you have a slot: ${String(f.about.question)}`,
  'meeting-off': (f, who) =>
    `${who} called off the hour to meet in which you had a slot: ${String(f.about.question)}`,
};

/** What a reminder says is owed, the next step first. */
function deadlineTitle(f: NoticeFacts): string {
  const { of, have, need, replies, left } = f.about;
  const due = `due in ${beforeInWords(Number(left))}`;
  if (of === 'replies')
    return Number(left) > 0
      ? `${f.course}: ${Number(replies) === 1 ? 'one reply is' : `${inWords(Number(replies))} replies are`} ${due}`
      : `${f.course}: the deadline of the replies is over`;
  const words = Number(have) > 0 && Number(need) > 0 ? `, ${have} of ${need} words stand` : '';
  return Number(left) > 0
    ? `${f.course}: the response is ${due}${words}`
    : `${f.course}: the deadline of the response is over`;
}

/**
 * The one sentence of a notice, as its page, its mail and a device say it.
 *
 * @example a reply by Teodora Lind // 'Teodora Lind replied to you'
 */
export function noticeTitle(f: NoticeFacts): string {
  const who = namesInWords(f.who);
  switch (f.kind) {
    case 'reply':
      return `${who} replied to you`;
    case 'name':
      return `${who} named you${f.post === null ? '' : ` in #${f.post}`}`;
    case 'answer':
      return (ABOUT_ANSWER[String(f.about.what ?? f.about.asks)] ?? ABOUT_ANSWER.mark)?.(f, who) ?? who;
    case 'mark':
      return Number(f.about.n) > 1
        ? `Your mark of ${weekOf(f)} was changed`
        : `Your mark of ${weekOf(f)} is here`;
    case 'change':
      return (ABOUT_CHANGE[String(f.about.what)] ?? ABOUT_CHANGE.prompt)?.(f) ?? '';
    case 'post':
      return f.asks
        ? `${f.count === 1 ? 'One new answer' : `${f.count} new answers`} among the questions of ${f.course}`
        : `${f.count === 1 ? 'One new post' : `${f.count} new posts`} in ${f.course} ${weekOf(f)}`;
    case 'announcement':
      return f.title ?? 'An announcement';
    case 'report':
      return `${who} reported #${String(f.about.post)}`;
    case 'request':
      return (ABOUT_REQUEST[String(f.about.asks)] ?? ABOUT_REQUEST.time)?.(f, who) ?? who;
    case 'deadline':
      return deadlineTitle(f);
    case 'draft':
      return 'Your answer by mail waits as a draft';
    case 'mail':
      return 'Mail to you does not arrive';
  }
}

const STEPS: Record<string, string> = {
  begin: 'begin your response',
  'go-on': 'go on with your draft',
  mend: 'mend what your response lacks',
  choose: 'choose whom to answer',
  'reply-draft': 'finish the reply you began',
};

/**
 * What a reminder says beside: how long it is likely to take, and the one next step.
 * @example nextStep({ minutes: 40, step: 'begin' }) // 'About 40 minutes at your pace. Next: begin your response.'
 */
export function nextStep({ minutes, step }: Pick<NoticeFacts['about'], string>): string {
  const long = Number(minutes) > 0 ? `About ${minutes} minutes at your pace. ` : '';
  const next = STEPS[String(step)];
  return next ? `${long}Next: ${next}.` : long.trim();
}

export type Section = 'concern' | 'instructors' | 'staff' | 'deadlines' | 'follow' | 'delivery';

/** Under which heading a notice stands. @example sectionOf('reply') // 'concern' */
export function sectionOf(kind: NoticeKind): Section {
  switch (kind) {
    case 'reply':
    case 'name':
    case 'answer':
    case 'mark':
    case 'draft':
      return 'concern';
    case 'announcement':
    case 'change':
      return 'instructors';
    case 'report':
    case 'request':
      return 'staff';
    case 'deadline':
      return 'deadlines';
    case 'post':
      return 'follow';
    case 'mail':
      return 'delivery';
  }
}
