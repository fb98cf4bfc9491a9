import type { Forecast } from '@/core/notices/forecast';
import type { ChosenKind, Way } from '@/core/notices/kinds';
import { beforeInWords, type Section } from '@/core/notices/say';
import type { NoticeRules } from '@/core/notices/rules';
import { plural } from './plural';
import { shownTime } from './time';

export const SECTIONS: readonly (readonly [Section, string])[] = [
  ['delivery', 'How mail reaches you'],
  ['concern', 'Concern you'],
  ['staff', 'Wait for you as staff'],
  ['instructors', 'From your instructors'],
  ['deadlines', 'Deadlines'],
  ['follow', 'Where you follow'],
];

export const KIND_WORDS: Readonly<Record<ChosenKind, string>> = {
  reply: 'Replies to you',
  name: 'Your name in a post',
  answer: 'Answers to what you asked',
  mark: 'Marks and comments',
  change: 'Changes of dates or prompts',
  post: 'New posts where you follow',
  desk: 'Reports and requests, as staff',
};

export const WAY_WORDS: Readonly<Record<Way, string>> = {
  once: 'at once',
  gathered: 'gathered',
  daily: 'once a day',
  here: 'only here',
};

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
export const dayName = (n: number): string => DAYS[n - 1] ?? '';

/** Words as a list a sentence holds. @example listed(['a', 'b', 'c']) // 'a, b and c' */
export const listed = (all: readonly string[]): string =>
  all.length < 2 ? (all[0] ?? '') : `${all.slice(0, -1).join(', ')} and ${all.at(-1)}`;

/** "8, 13 and 18", where minutes are none of it. */
export const hoursListed = (times: readonly string[]): string =>
  listed(
    times.map((t) =>
      t.endsWith(':00') && !/[ap]m/u.test(shownTime(t)) ? String(Number(t.slice(0, 2))) : shownTime(t),
    ),
  );

export function quietWords({ quiet, quietDays }: Pick<NoticeRules, 'quiet' | 'quietDays'>): string {
  const night = quiet ? `from ${shownTime(quiet.from)} to ${shownTime(quiet.to)}` : '';
  const days = quietDays.length ? `on ${listed(quietDays.map(dayName))}` : '';
  return night || days ? `Quiet ${[night, days].filter(Boolean).join(', and ')}` : 'Never quiet';
}

export const beforeWords = ({ before }: Pick<NoticeRules, 'before'>): string =>
  before.length
    ? `Deadlines: ${listed(before.map(beforeInWords))} before, only while something is owed`
    : 'No reminders of deadlines';

/** "With this, about 5 mails a week." */
export const forecastTitle = ({ aWeek }: Forecast): string =>
  aWeek === 0 ? 'With this, hardly a mail a week.' : `With this, about ${plural(aWeek, 'mail')} a week.`;

/** What all of it in one mail a day would mean, as the button says it. */
export const fewerWords = ({ aWeek }: Forecast): string =>
  `All of it once a day: ${aWeek === 0 ? 'hardly a mail' : `about ${plural(aWeek, 'mail')}`} a week`;

/** From what that is worked out. */
export function forecastWords({ weeks, once, gathered, into, moved }: Forecast): string {
  const parts = [
    once ? `${once} at once` : '',
    gathered ? `${plural(gathered, 'notice')} gathered into ${into}` : '',
  ].filter(Boolean);
  const quiet = moved ? `; quiet hours moved ${moved}` : '';
  return `Worked out from your last ${weeks} weeks: ${parts.length ? listed(parts) : 'nothing to send'}${quiet}.`;
}
