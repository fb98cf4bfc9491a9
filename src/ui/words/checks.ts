import type { CheckId, Media } from '@/core/brief/brief';
import type { Check, Missing, Remark } from '@/core/checks/types';
import { list, plural } from './plural';

const NAMES: Record<CheckId, string> = {
  words: 'Own words',
  paragraphs: 'Paragraphs',
  sentences: 'Sentences',
  parts: 'Questions',
  concepts: 'Course ideas',
  sources: 'Sources',
  quotes: 'Quotes',
  question: 'Question asked',
  example: 'Example',
  media: 'To attach',
  greeting: 'Name',
  title: 'Title',
};

export const checkName = (id: CheckId) => NAMES[id];

/** "138 / 250", "2 / 3", "120 / up to 100" */
export function checkFigure(check: Pick<Check, 'have' | 'need'>): string {
  const { have, need } = check;
  if (need.min !== undefined && need.max !== undefined) return `${have} / ${need.min}–${need.max}`;
  if (need.max !== undefined) return `${have} / up to ${need.max}`;
  return `${have} / ${need.min ?? 0}`;
}

const UNITS: Partial<Record<CheckId, [string, string]>> = {
  words: ['word', 'words'],
  paragraphs: ['paragraph', 'paragraphs'],
  sentences: ['sentence', 'sentences'],
  sources: ['source', 'sources'],
  quotes: ['quotation', 'quotations'],
  question: ['question', 'questions'],
  example: ['example', 'examples'],
};

const MEDIA: Record<Media['kind'], [string, string]> = {
  image: ['a picture', 'pictures'],
  video: ['a film', 'films'],
  audio: ['a recording', 'recordings'],
  link: ['a link', 'links'],
  file: ['a file', 'files'],
};
/** "a picture", "2 links" */
export const mediaText = (kind: Media['kind'], n: number) =>
  n === 1 ? MEDIA[kind][0] : `${n} ${MEDIA[kind][1]}`;

function missingText(id: CheckId, missing: Missing): string {
  const [one, many] = UNITS[id] ?? ['thing', 'things'];
  switch (missing.code) {
    case 'too-few':
      return `${plural(missing.by, `more ${one}`, `more ${many}`)} needed.`;
    case 'too-many':
      return `${plural(missing.by, one, many)} over the limit.`;
    case 'parts-unanswered':
      return `${list(missing.parts.map((p) => `Question ${p.n}`))} ${missing.parts.length === 1 ? 'has' : 'have'} no answer yet${
        missing.parts.some((p) => !p.placed)
          ? ' (its heading is not in the text: bring it back in the toolbar)'
          : ''
      }.`;
    case 'concepts-unused':
      return `Not used yet: ${list(missing.terms, 'or')}.${
        missing.onlyQuoted.length
          ? ` ${list(missing.onlyQuoted)} only stands in a quotation, which is not your own use of it.`
          : ''
      }`;
    case 'sources-uncited':
      return `Your list names ${plural(missing.listed, 'source')}, but the text never cites one: write (Name, year) where you use it.`;
    case 'quotes-not-theirs':
      return 'What you quote does not stand in the post you answer.';
    case 'quotes-not-read':
      return 'What you quote does not stand in the readings.';
    case 'no-title':
      return 'Give your response a title.';
    case 'other-title':
      return `The prompt asks for the title “${missing.wanted}”.`;
    case 'no-greeting':
      return `Address ${missing.name} by name at the beginning.`;
    case 'no-question':
      return 'No question asked yet.';
    case 'media-missing':
      return `Still to come: ${list(missing.media.map((m) => mediaText(m.kind, m.by)))}.`;
    case 'no-example':
      return 'No example yet: say “for example”, or tell what you saw yourself.';
  }
}

const FOUND: Record<CheckId, string> = {
  words: 'Marked in the text: your own words.',
  paragraphs: 'Marked in the text: each paragraph.',
  sentences: 'Marked in the text: each sentence.',
  parts: 'Marked in the text: your answers.',
  concepts: 'Marked in the text: where you use a course idea.',
  sources: 'Marked in the text: each citation or link.',
  quotes: 'Marked in the text: what you quote.',
  question: 'Marked in the text: what you ask.',
  example: 'Marked in the text: where you bring in an example.',
  media: 'It carries what is asked for.',
  greeting: 'Marked in the text: the name.',
  title: 'The title is there.',
};

function remarkText(remark: Remark): string {
  switch (remark.code) {
    case 'cited-not-listed':
      return `Cited, but not in your reference list: ${list(remark.names)}.`;
    case 'in-place-of-words':
      return `In the place of the words, as this prompt allows, stands ${mediaText(remark.kind, 1)}.`;
    case 'listed-not-cited':
      return `In your reference list, but never cited: ${list(remark.entries.map((e) => `“${e}”`))}.`;
    case 'quote-near':
      return `“${remark.said.replace(/^[“"]|[”"]$/gu, '')}” is almost, and not quite, what stands there: “${remark.stands}”.`;
  }
}

/** A check's result as a sentence: what it found, and what is missing. */
export function checkSentence(check: Check): string {
  const missing = check.missing ? missingText(check.id, check.missing) : '';
  const found = check.evidence.length > 0 || check.met ? FOUND[check.id] : '';
  const advised = !check.required && !check.met ? 'Advised, not required.' : '';
  const remarks = (check.remarks ?? []).map(remarkText);
  const unsure = check.unsure
    ? 'Unsure: a name and a year alone say too little. Add a page, a link or an entry in a list of sources; a reader will decide.'
    : '';
  return [missing, found, unsure, ...remarks, advised].filter(Boolean).join(' ');
}

/** "words 138 of 250", for sentences about a post that is short. */
export function shortfall(check: {
  id: CheckId;
  have: number;
  need: { min?: number; max?: number };
}): string {
  if (check.id === 'title') return 'no title';
  if (check.id === 'greeting') return 'not addressed by name';
  const goal = check.have < (check.need.min ?? 0) ? check.need.min : check.need.max;
  return `${check.have} of ${goal} ${NAMES[check.id].toLowerCase()}`;
}

/** "1 of 3 questions" needs no counting when nothing but names is known. */
export const unmetNames = (ids: CheckId[]) => list(ids.map((id) => NAMES[id].toLowerCase()));
