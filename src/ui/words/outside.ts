import { notReadText } from './not-read';
import { isTick, type Field, type FieldProblem } from '@/core/outside/fields';
import { plural } from './plural';
import { factText } from './requirements';

/** What each field of a brief is called beside its input. */
export const FIELD_NAMES: Record<Field, string> = {
  title: 'Title',
  course: 'Course',
  week: 'Week',
  zone: 'The course’s time zone',
  responseDue: 'Response due',
  repliesDue: 'Replies due',
  parts: 'Questions to answer, one on each line',
  concepts: 'The ideas themselves, one on each line',
  points: 'Points',
  sealed: 'Classmates’ posts open only after mine',
  late: 'Late work',
  'late.percent': 'Percent off for each day',
  'late.days': 'Days it is still taken',
  'response.title': 'This title',
  'response.words.min': 'Words, at least',
  'response.words.max': 'Words, at most',
  'response.paragraphs.min': 'Paragraphs, at least',
  'response.paragraphs.max': 'Paragraphs, at most',
  'response.sentences.min': 'Sentences, at least',
  'response.sources.min': 'Sources, at least',
  'response.quotes.min': 'Quotations, at least',
  'response.concepts.min': 'Course ideas, at least',
  'response.question.min': 'Questions to the class, at least',
  'response.example': 'An example of one’s own',
  'response.media.image': 'Pictures, at least',
  'response.media.video': 'Films, at least',
  'response.media.audio': 'Recordings, at least',
  'response.media.link': 'Links, at least',
  'response.media.file': 'Files, at least',
  'response.unasked': 'No response is owed: only replies',
  'response.topic': 'Each begins a topic of their own',
  'response.titled': 'It has a title',
  'response.instead.image': 'a picture',
  'response.instead.video': 'a film clip',
  'response.instead.audio': 'a spoken clip',
  'response.instead.file': 'a file',
  'sides.first': 'The one side',
  'sides.second': 'The other side',
  'leader.replies': 'Replies that who leads it owes',
  grouped: 'Each group has a conversation of its own',
  sealOpensWithAny: 'Any response opens them, also a short one',
  'replies.count': 'How many replies',
  'replies.distinctPeers': 'To different classmates',
  'replies.distinctDays': 'On how many different days',
  'replies.words.min': 'Words in each, at least',
  'replies.words.max': 'Words in each, at most',
  'replies.sentences.min': 'Sentences in each, at least',
  'replies.sources.min': 'Sources in each, at least',
  'replies.quotes.min': 'Quotations in each, at least',
  'replies.question.min': 'Questions in each, at least',
  'replies.staffCount': 'Replies to staff count too',
  'replies.otherSide': 'Only replies to the other side count',
  'replies.greetByName': 'Call the classmate by name',
};

/** What a field holds, in words: a box is ticked or not. */
export const fieldValue = (field: string, value: string): string =>
  value === 'on' ? 'yes' : value || (isTick(field) ? 'no' : 'nothing');

/** What a field is called; one of an earlier time by what it was kept as. */
export const fieldName = (field: string): string => FIELD_NAMES[field as Field] ?? field;

type Problem = FieldProblem | { field: 'course'; code: 'hosted-here'; course: string };

/** What is wrong with a field, and what to do. */
export function fieldProblemText(p: Problem): string {
  switch (p.code) {
    case 'missing':
      return p.field === 'responseDue'
        ? 'Say when the response is due: the text does not, or not clearly.'
        : 'This is still needed.';
    case 'no-time':
      return 'This is not a date and time. It looks like 2026-11-26T23:59.';
    case 'no-zone':
      return 'Pulpit does not know this time zone. Choose one from the list.';
    case 'under-minimum':
      return 'This is less than the least that is asked. One of the two must be another number.';
    case 'before-response':
      return 'This is before the response is due.';
    case 'too-long':
      return 'This is too long: 200 characters for a title, 60 for a course.';
    case 'one-day':
      return 'On one day is no rule. Leave it empty, or say two or more.';
    case 'nothing-asked':
      return 'With no response and no replies there is nothing to do. Say how many replies.';
    case 'too-many':
      return 'At most twelve questions have a place. Put some together.';
    case 'hosted-here':
      return `You are in a course called ${p.course} here. Give this one a name that differs.`;
    case 'no-number':
      return `This must be a whole number, at most ${p.most.toLocaleString('en-GB')}, or empty.`;
  }
}

/** How sure a reading is, in words. */
export const surenessText = (confidence: number) =>
  confidence >= 0.8 ? 'clearly said' : confidence >= 0.65 ? 'likely' : 'a guess: please check';

export type Trouble = { code: string; name?: string; kind?: string; characters?: number; why?: string };

/** What could not be read on the way in, what was kept, and what to do. */
export function troubleText(t: Trouble): string {
  const name = `“${t.name ?? 'The file'}”`;
  switch (t.code) {
    case 'file-too-large':
      return `${name} is larger than 12 MB, so it was not read. Copy the prompt’s text out of it and paste that.`;
    case 'file-empty':
      return `${name} holds no text.`;
    case 'file-broken':
      return t.kind === 'pdf'
        ? `${name} is a damaged PDF and cannot be read. Print the page again, or paste its text.`
        : t.kind === 'book'
          ? `${name} is a damaged EPUB and cannot be read. Get it anew, or paste its text.`
          : `${name} is damaged or is no Word document, so it cannot be read. Open it in your word processor and save it anew, or paste its text.`;
    case 'file-locked':
      return `${name} is locked with a password, so it cannot be read. Save it without one, or paste its text.`;
    case 'file-scanned':
      return `${name} holds pictures of pages and no text. Paste or type the prompt’s text.`;
    case 'file-old-word':
      return `${name} is in the old Word form (.doc). Save it as .docx, or paste its text.`;
    case 'file-unknown':
      return `${name} is no text, web page, word processor’s file, EPUB or PDF, so it was not read.`;
    case 'file-not-read':
      return `${name}: ${notReadText(t.why)}`;
    case 'not-read':
      return notReadText(t.why);
    case 'no-posts':
      return 'No post was found there: a page with names, times and texts is looked for. Nothing here was changed.';
    case 'no-calendar':
      return `${name} is not a calendar file, so no dates were taken from it. Type the deadlines by hand.`;
    case 'shown-in-part':
      return `This text is very long (${(t.characters ?? 0).toLocaleString('en-GB')} characters). Its beginning is read as the prompt; the whole is kept beside it.`;
    case 'nothing-to-read':
      return 'There is nothing to read yet: paste the prompt’s text, or choose a file.';
    case 'text-too-long':
      return 'This text is too long for one post, so it was not put in. Paste a shorter piece of it; your text is still where you copied it.';
    case 'answered':
      return 'Your reply answers this post. Take the reply back first; then the post can be removed.';
    case 'nothing-written':
      return 'There was nothing in the text, so nothing was put in.';
    case 'post-not-open':
      return 'The post it answers is no longer here.';
    default:
      return 'That did not work. Nothing was changed; try again.';
  }
}

/** What the reading found, in one line: shown while the text is still in the box. */
export function foundText(facts: readonly { fact: string; value: string | number | boolean }[]): string {
  // The least before the most: "250 to 300" is said in that order.
  const inOrder = [...facts].sort((a, b) => Number(/\.max$/u.test(a.fact)) - Number(/\.max$/u.test(b.fact)));
  const said = [...new Set(inOrder.map(factText))].filter(Boolean);
  if (said.length === 0)
    return 'Nothing that is asked for was found yet. You can fill it in by hand on the next page.';
  return `Found ${plural(said.length, 'thing')} that ${said.length === 1 ? 'is' : 'are'} asked for: ${said.join(' · ')}.`;
}
