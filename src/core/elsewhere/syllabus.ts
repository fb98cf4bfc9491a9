import type { WallClock } from '../deadlines/wallclock';
import type { Doc } from '../document/nodes';
import { documentFromText } from '../document/compose';
import { plainText } from '../document/flatten';
import type { Fields } from '../outside/fields';
import { suggestBrief } from '../outside/suggest';
import { readPrompt } from '../prompts/read-prompt';
import { COURSE } from './course-said';
import type { Habit } from './syllabus-deadlines';
import { isFree, rowsOfUnit } from './syllabus-rows';
import { unitsOf } from './syllabus-units';
import type { Term, TermRow } from './term';
import { roughSentences } from '../text/sentences';
import { daysNamed, termClockOf, type TermClock } from './term-dates';

const MOST_ROWS = 60;
const ABOUT = /\b(?:discussions?|forums?|posts?|repl(?:y|ies)|classmates?|peers?)\b/iu;
const NOT_ABOUT = /\b(?:essays?|papers?|exams?|quiz(?:zes)?|projects?|labs?|plagiarism|attendance)\b/iu;
const EVERY_WEEK =
  /\b(?:weekly|(?:each|every|per|a) week)\b[^.]{0,90}\b(?:discussions?|forums?|posts?)\b|\b(?:discussions?|forums?|posts?)\b[^.]{0,90}\b(?:weekly|(?:each|every|per) week)\b/iu;

/** What a syllabus says of discussions in general: the lines that speak of them, and those under a heading that does. */
function aboutDiscussions(general: readonly { text: string; level: number }[]): string[] {
  let under = false;
  return general.flatMap(({ text, level }) => {
    if (level > 0) {
      under = ABOUT.test(text);
      return [];
    }
    const short = text.length <= 60 && /^[^.!?]*:?$/u.test(text);
    if (short && ABOUT.test(text) && !/\d/u.test(text)) under = true;
    return (under || ABOUT.test(text)) && (!NOT_ABOUT.test(text) || /discussion|forum/iu.test(text))
      ? [text]
      : [];
  });
}

/** On which days posts and replies are due every week, by what is said of all. */
function habitIn(text: string): Habit {
  const habit: Habit = { response: {}, replies: {} };
  for (const { fact, value } of readPrompt(text).facts) {
    const [, side, what] = /^due\.(response|replies)\.(weekday|time)$/u.exec(fact) ?? [];
    if (side && what) habit[side as keyof Habit][what as 'weekday' | 'time'] = String(value);
  }
  return habit;
}

/** Where a syllabus has no plan: discussions that a sentence calls by a title in quotation marks, with their days. */
function saidOne(general: readonly { text: string }[], clock: TermClock): TermRow[] {
  return general
    .filter((g) => ABOUT.test(g.text))
    .flatMap((g) => roughSentences(g.text))
    .filter((s) => /[“"«][^”"»]{4,140}[”"»]/u.test(s) && daysNamed(s, clock).some((d) => d.date !== null))
    .flatMap((said) => {
      const unit = {
        week: null,
        from: null,
        to: null,
        topic: '',
        rows: [[{ text: `Discussion: ${said}`, head: '' }]],
        said,
      };
      return rowsOfUnit(unit, { response: {}, replies: {} }, clock, false);
    });
}

const COUNTED = /^(discussion|forum|d\.?b\.?)(?: board| post)?\s*#?\s*(\d{1,2})\b/iu;

/** Where the replies to "Discussion 2" have a line of their own, they are those of that discussion. */
function joined(rows: readonly TermRow[]): TermRow[] {
  const all: TermRow[] = [];
  const numbered = new Map<string, TermRow>();
  for (const row of rows) {
    const number = row.said
      .split('\n')
      .map((l) => COUNTED.exec(l.replace(/^.*?(?=discussion|forum|db\b)/iu, ''))?.[2])
      .find(Boolean);
    const first = number === undefined ? undefined : numbered.get(number);
    if (first && first.repliesDue === null && row.responseDue === null && row.repliesDue !== null) {
      Object.assign(first, { repliesDue: row.repliesDue, said: `${first.said}\n${row.said}` });
      continue;
    }
    const own = { ...row };
    if (number !== undefined) numbered.set(number, own);
    all.push(own);
  }
  return all;
}

/** Fields that are each discussion's own, and that no syllabus says of all of them. */
const OWN = new Set([
  'title',
  'week',
  'responseDue',
  'repliesDue',
  'parts',
  'course',
  'zone',
  'response.title',
]);

/**
 * The discussions of a term as its syllabus says them, with the words each was read from, and what is asked in all of them. `now` is the
 * reader's wall clock. A text that names no discussion gives none.
 * @example termOf(documentFromText('Week 1 (Sept 7): Discussion: Wells, due Sept 10'), '2026-09-01T08:00').rows // one
 */
export function termOf(doc: Doc, now: WallClock): Term {
  const whole = plainText(doc);
  const clock = termClockOf(whole, now);
  const { units, general } = unitsOf(doc, clock);
  const about = aboutDiscussions(general);
  const said = about.join('\n\n');
  const habit = habitIn(said);
  const named = units.map((unit) => rowsOfUnit(unit, habit, clock, false));
  const weekly = EVERY_WEEK.test(said) && named.filter((r) => r.length > 0).length * 2 < units.length;
  const inSentences = units.length > 0 ? [] : saidOne(general, clock);
  const rows = weekly
    ? units.map((unit, i) => (isFree(unit) ? (named[i] ?? []) : rowsOfUnit(unit, habit, clock, true)))
    : named;
  const { fields, evidence, asked } = suggestBrief(documentFromText(said), now);
  const course = COURSE.exec(whole.slice(0, 2_000));
  const rules: Fields = {};
  for (const [field, value] of Object.entries(fields))
    if (!OWN.has(field) && value !== '') Object.assign(rules, { [field]: value });
  return {
    course: course
      ? [course[1], course[2]?.trim().replace(/\s+(?:syllabus|course|fall|spring|summer|autumn)\b.*$/iu, '')]
          .filter(Boolean)
          .join(' ')
      : '',
    rows: joined([...rows.flat(), ...inSentences]).slice(0, MOST_ROWS),
    rules,
    asked: asked
      .filter((a) => !OWN.has(a.field) && rules[a.field] === undefined)
      .map((a) => ({ field: a.field, value: a.value, quote: a.evidence.quote })),
    rulesSaid: [
      ...new Set(Object.keys(rules).flatMap((f) => (evidence[f as keyof Fields] ?? []).map((e) => e.quote))),
    ],
  };
}
