import type { WallClock } from '../deadlines/wallclock';
import type { Doc } from '../document/nodes';
import { flatten, type Line } from '../document/flatten';
import { readDocument, type PlacedFact } from '../prompts/on-document';
import { roughSentences } from '../text/sentences';
import { pointsOf, type Rubric } from '../rubric/rubric';
import { rubricIn } from '../rubric/rubric-in';
import { momentSaid, type SaidMoment } from './dates';
import { FIELDS, MOST_PARTS, type Field, type Fields } from './fields';

/** What a field of the brief was read from, and how sure that is. */
export type Evidence = Pick<PlacedFact, 'quote' | 'places' | 'confidence'>;

export type Suggestion = {
  fields: Fields;
  evidence: Partial<Record<Field, Evidence[]>>;
  /** Another value that the text says of a field as well: it contradicts itself. */
  otherwise: { field: Field; value: string; evidence: Evidence }[];
  /** What the text may say, and not surely enough to be filled in: it is asked. */
  asked: { field: Field; value: string; evidence: Evidence }[];
  /** What is asked for and no field stands for, such as a picture. */
  also: PlacedFact[];
  /** The rubric that stands in the text as a table. */
  rubric: Rubric | null;
  /** Not all of the text was read: it is longer than a prompt, or too dear to read. */
  cut: boolean;
};

/** Below this a reading is asked about and not filled in. */
export const UNSURE = 0.6;

const FACT_FIELDS = new Set<string>(FIELDS);

/** Values of facts that a form's field writes otherwise. */
const fieldValue = (value: PlacedFact['value']) => (value === true ? 'on' : String(value));

/** What the words of a late rule say of its size: the share a day, and how many days. */
function lateSize(quote: string): Fields {
  const percent = /(\d{1,3})\s*(?:%|per ?cent)/iu.exec(quote)?.[1];
  const days =
    /(?:up to|at most|maximum of|within|for)\s+(?:the first\s+)?(\d{1,2}|one|two|three|four|five|six|seven)\s+days?/iu.exec(
      quote,
    )?.[1];
  const n = days && (SMALL.indexOf(days.toLowerCase()) + 1 || Number(days));
  return { ...(percent ? { 'late.percent': percent } : {}), ...(n ? { 'late.days': String(n) } : {}) };
}
const SMALL = ['one', 'two', 'three', 'four', 'five', 'six', 'seven'];

const POINTS =
  /(?:\b(?:worth|out of|total(?:s|ling)?(?: of)?|value[ds]?(?: at)?|graded out of|marked out of)[:\s]+(\d{1,4})\s*(?:points?|pts\b|marks?)?|\((\d{1,4})\s*(?:points?|pts|marks?)\.?\)|^\W*(?:points?|pts|marks?)(?: possible)?\s*[:=]\s*(\d{1,4})|\b(\d{1,4})\s*(?:points?|pts|marks?)\s*(?:possible|in all|altogether|total)|^\W*(\d{1,4})\s*(?:points?|pts|marks?)\W*$)/imu;
/** What a part of the work is worth, or what lateness costs, is not what the discussion is worth. */
const NOT_WHOLE = /\b(?:late|lose|loses|deduct\w*|off|minus|each|per|extra|bonus|up to)\b/iu;

/** How much a prompt says the whole is worth, with its words. */
function pointsIn(lines: readonly Line[]): { value: string; evidence: Evidence } | null {
  for (const line of lines) {
    for (const sentence of roughSentences(line.text)) {
      const m = POINTS.exec(sentence);
      const value = m?.slice(1).find((n) => n !== undefined);
      if (!m || !value || NOT_WHOLE.test(sentence)) continue;
      const start = line.text.indexOf(m[0]);
      const at = { from: line.pos + start, to: line.pos + start + m[0].length };
      return {
        value: String(Number(value)),
        evidence: { quote: m[0].trim(), places: [at], confidence: 0.8 },
      };
    }
  }
  return null;
}

const dueOf = (facts: readonly PlacedFact[], side: 'response' | 'replies') => {
  const mine = facts.filter((f) => f.fact.startsWith(`due.${side}.`));
  const said: SaidMoment = {};
  for (const f of [...mine].reverse()) said[f.fact.split('.')[2] as keyof SaidMoment] = String(f.value);
  // Said otherwise somewhere else in the text.
  const other = mine.find((f) => said[f.fact.split('.')[2] as keyof SaidMoment] !== String(f.value));
  return { said, evidence: mine.filter((f) => f !== other), other };
};

const TITLE_LABEL = /^(?:discussion|prompt|topic|title|week|module|unit|forum)\b/iu;
const LONGEST_TITLE = 90;

/** A name for the prompt: its first heading or short line, or the beginning of its first sentence. */
function titleIn(doc: Doc): string {
  const lines = flatten(doc).filter((l) => l.text.trim() !== '');
  const heading = lines.find((l) => l.kind === 'heading' && l.text.length <= LONGEST_TITLE);
  const first = (heading ?? lines[0])?.text.split('\n')[0]?.trim() ?? '';
  const label = first.replace(/[\s:–—-]+$/u, '');
  if (label.length <= LONGEST_TITLE && (heading || TITLE_LABEL.test(label) || !/[.!?]$/u.test(label)))
    return label;
  const sentence = /^.{12,}?[.?!](?=\s|$)/u.exec(first)?.[0] ?? first;
  return sentence.length <= LONGEST_TITLE
    ? sentence
    : `${sentence.slice(0, LONGEST_TITLE).replace(/\s+\S*$/u, '')}…`;
}

const weekIn = (doc: Doc) => {
  const opening = flatten(doc)
    .slice(0, 4)
    .map((l) => l.text)
    .join('\n');
  const n = Number(/\b(?:week|module|unit|lesson|session)\s*(?:#|no\.?\s*)?(\d{1,2})\b/iu.exec(opening)?.[1]);
  return n >= 1 && n <= 60 ? String(n) : '';
};

/**
 * A prompt's brief as it is read out of its text: the fields of the form with what each was read from. `now` is what the
 * wall clock of the course's zone shows; weekdays are the first from then on.
 *
 * @example "Write 250 words by Thursday" gives the fields of 250 words and of the first Thursday from now, each with its words
 */
export function suggestBrief(doc: Doc, now: WallClock): Suggestion {
  const { placed, parts, cut } = readDocument(doc);
  const fields: Fields = { title: titleIn(doc), week: weekIn(doc) };
  const evidence: Suggestion['evidence'] = {};
  const otherwise: Suggestion['otherwise'] = [];
  const asked: Suggestion['asked'] = [];
  const also: PlacedFact[] = [];
  const take = (field: Field, value: string, from: Evidence) => {
    if (from.confidence < UNSURE) {
      asked.push({ field, value, evidence: from });
      return;
    }
    if (fields[field] !== undefined && evidence[field]) {
      if (fields[field] !== value) otherwise.push({ field, value, evidence: from });
      return;
    }
    fields[field] = value;
    evidence[field] = [from];
  };
  for (const f of placed) {
    if (f.fact.startsWith('due.')) continue;
    if (f.fact === 'response.parts') {
      if (parts.length) take('parts', parts.slice(0, MOST_PARTS).join('\n'), f);
      else also.push(f);
    } else if (FACT_FIELDS.has(f.fact)) take(f.fact as Field, fieldValue(f.value), f);
    else also.push(f);
  }
  const rubric = rubricIn(doc);
  const worth = pointsIn(flatten(doc).filter((line) => !rubric || line.row === undefined));
  if (worth) take('points', worth.value, worth.evidence);
  // The points in a rubric's cells are those of its levels: the whole is what all its criteria come to.
  else if (rubric) fields.points = String(pointsOf(rubric, {}).of);
  if (evidence.late) Object.assign(fields, lateSize(evidence.late[0]?.quote ?? ''));
  const due = (field: 'responseDue' | 'repliesDue', of: ReturnType<typeof dueOf>, from: WallClock) => {
    const value = momentSaid(of.said, from);
    const [least] = [...of.evidence].sort((a, b) => a.confidence - b.confidence);
    if (!value || !least) return;
    if (least.confidence < UNSURE) {
      asked.push({ field, value, evidence: least });
      return;
    }
    fields[field] = value;
    evidence[field] = of.evidence;
  };
  const response = dueOf(placed, 'response');
  due('responseDue', response, now);
  const replies = dueOf(placed, 'replies');
  due('repliesDue', replies, (fields.responseDue as WallClock | undefined) ?? now);
  for (const [field, { other, said }] of [
    ['responseDue', response],
    ['repliesDue', replies],
  ] as const) {
    if (!other) continue;
    const value = momentSaid({ ...said, [other.fact.split('.')[2] ?? '']: String(other.value) }, now);
    if (value) otherwise.push({ field, value, evidence: other });
  }
  return {
    fields,
    evidence,
    otherwise,
    asked: asked.filter((a) => fields[a.field] === undefined),
    also,
    rubric,
    cut,
  };
}
