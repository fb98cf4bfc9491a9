import type { QuestionFilter, QuestionLine } from '@/contract/questions';
import type { QuestionState } from '@/core/questions/state';
import { list, plural } from './plural';
import { moment } from './time';

export const FILTER_WORDS: Readonly<Record<QuestionFilter, string>> = {
  all: 'All',
  open: 'Unanswered',
  yours: 'Yours',
  followed: 'Followed',
  unread: 'Unread',
  staff: 'To staff only',
  meets: 'Hours to meet',
  corner: 'The corner',
};

/** Where a question stands, as its sign says it. */
export const STATE_WORDS: Readonly<Record<QuestionState, string>> = {
  nobody: 'nobody has answered yet',
  classmates: 'answered by classmates',
  confirmed: 'answered by a classmate, confirmed by staff',
  staff: 'answered by staff',
  settled: 'answered, its asker says',
};

const MOST_NAMES = 2;
const names = (by: readonly string[]) =>
  by.length > MOST_NAMES
    ? `${by.slice(0, MOST_NAMES).join(', ')} and ${by.length - MOST_NAMES} more`
    : list([...by]);

/** The line beneath a question's title: from whom, to whom, and how it stands. */
export function lineWords(l: QuestionLine, within: string, now: number, zone: string): string {
  const from = l.kind === 'line' && l.mine ? 'your line to the staff' : l.mine ? 'you' : l.author;
  const covered = l.cover === 'no' || l.author === 'A classmate' ? '' : ', name covered';
  const to = l.audience === 'staff' ? 'staff only' : l.audience === 'group' ? 'your group' : '';
  return [
    `${from === 'A classmate' ? 'a classmate, name covered' : from}${covered}`,
    l.kind === 'line' ? '' : to,
    l.hands ? handsWords(l.hands, now, zone) : l.meets ? meetsWords(l.meets, zone) : standing(l, within),
    l.spared ? `spared ${plural(l.spared, 'person', 'people')} asking` : '',
    l.taken ? `${l.taken} has taken it` : '',
  ]
    .filter(Boolean)
    .join(' · ');
}

/** "17 have raised a hand", and by fives where names are covered. */
export const raisedWords = (people: number, named: boolean): string =>
  named
    ? people === 0
      ? 'nobody has raised a hand yet'
      : `${people === 1 ? 'one person has' : `${people} have`} raised a hand`
    : people === 0
      ? 'fewer than five have raised a hand'
      : `${people} or more have raised a hand`;

const meetsWords = ({ starts, over, calledOff, free }: NonNullable<QuestionLine['meets']>, zone: string) =>
  calledOff
    ? 'called off'
    : [
        `${over ? 'it was' : 'to meet'} ${moment(starts, zone)}`,
        over || free === null ? '' : free === 0 ? 'no slot is free' : `${plural(free, 'slot')} free`,
      ]
        .filter(Boolean)
        .join(' · ');

const handsWords = (
  { people, named, closes }: NonNullable<QuestionLine['hands']>,
  now: number,
  zone: string,
) => `${raisedWords(people, named)} · ${now < closes ? 'until' : 'over since'} ${moment(closes, zone)}`;

function standing(l: QuestionLine, within: string): string {
  switch (l.state) {
    case null:
      return l.answers ? plural(l.answers, 'answer') : '';
    case 'nobody':
      return within ? `nobody yet; ${within}` : 'nobody yet';
    case 'classmates':
      return `${names(l.by)} answered, not yet staff`;
    case 'confirmed':
      return `answered by ${names(l.by)}, confirmed by staff`;
    case 'staff':
      return `${l.by[0] ?? 'staff'} answered`;
    case 'settled':
      return 'answered, its asker says';
  }
}
