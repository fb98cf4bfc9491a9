import { plural } from './plural';

type Fact = { fact: string; value: number | string | boolean };

const DAYS: Record<string, string> = {
  mon: 'Monday',
  tue: 'Tuesday',
  wed: 'Wednesday',
  thu: 'Thursday',
  fri: 'Friday',
  sat: 'Saturday',
  sun: 'Sunday',
};
const LATE: Record<string, string> = {
  refused: 'late work refused',
  accepted: 'late work accepted',
  penalty: 'late work with a penalty',
};
const UNITS: Record<string, [string, string]> = {
  words: ['word', 'words'],
  sentences: ['sentence', 'sentences'],
  paragraphs: ['paragraph', 'paragraphs'],
  sources: ['source', 'sources'],
  quotes: ['quotation', 'quotations'],
  concepts: ['course idea', 'course ideas'],
  question: ['question', 'questions'],
};

function ruleText(field: string, bound: string, value: Fact['value']): string {
  const unit = UNITS[field];
  if (unit) return `${bound === 'max' ? 'at most' : 'at least'} ${plural(Number(value), ...unit)}`;
  switch (field) {
    case 'parts':
      return plural(Number(value), 'part to answer', 'parts to answer');
    case 'media':
      return `${bound === 'audio' ? 'a recording' : `a ${bound}`}${Number(value) > 1 ? ` (${value})` : ''}`.replace(
        'a image',
        'an image',
      );
    case 'title':
      return `the title “${value}”`;
    case 'example':
      return 'an example from your own life';
    case 'greetByName':
      return 'the classmate’s name';
    case 'count':
      return plural(Number(value), 'reply', 'replies');
    case 'distinctPeers':
      return 'to different classmates';
    case 'distinctDays':
      return `on ${value} different days`;
    case 'unanswered':
      return `${plural(Number(value), 'reply', 'replies')} to a post without one`;
    default:
      return '';
  }
}

/** What a fact read in a prompt asks for: "at least 250 words", "replies due on Sunday", "late work refused". */
export function factText({ fact, value }: Fact): string {
  const [side = '', field = '', bound = ''] = fact.split('.');
  if (side === 'late') return LATE[String(value)] ?? '';
  if (side === 'sealed') return 'sealed until you share your response';
  if (side === 'due') {
    const when =
      bound === 'weekday' ? `on ${DAYS[String(value)]}` : bound === 'date' ? `on ${value}` : `at ${value}`;
    return `${field} due ${when}`;
  }
  const rule = ruleText(field, bound, value);
  const ofReplies = side === 'replies' && !/^(?:count|distinct|unanswered)/u.test(field);
  return ofReplies ? `in each reply ${rule}` : rule;
}
