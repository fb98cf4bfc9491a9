import type { Brief, CheckId, WritingRules } from '../brief/brief';
import type { Doc } from '../document/nodes';
import { notesIn } from '../document/flatten';
import { readAnswered, type Answered as Answering, type ReadAnswered } from '../substance/answered';
import type { Earlier } from '../substance/repeated';
import { substanceOf, type Substance } from '../substance/on-document';
import { sentences } from '../text/sentences';
import { words } from '../text/words';
import type { Given } from './not-own';
import { conceptUses } from './concepts';
import { examplesOf } from './examples';
import { mediaOf } from './media';
import { partAnswers } from './parts';
import { ownStretches, passages, wordFigures, type Passage } from './passages';
import { quotesFrom } from './quotes';
import { sources } from './sources';
import type { Check, Evidence, Missing, Remark } from './types';

/** What a reply is checked against beside the brief. */
export type Answered = { name: string; text: string };

export type CheckInput =
  | {
      kind: 'response';
      brief: Brief;
      title: string;
      doc: Doc;
      /** The texts of the readings, where the brief asks for quotations from them. */
      readings?: readonly string[];
      /** What everybody has: passages copied from it are not the writer's own. */
      given?: readonly Given[];
    }
  | { kind: 'reply'; brief: Brief; doc: Doc; answered: Answered; given?: readonly Given[] };

type Need = { min?: number; max?: number };

const inNeed = (have: number, need: Need) => have >= (need.min ?? 0) && have <= (need.max ?? Infinity);

const gap = (have: number, need: Need): Missing | null =>
  have < (need.min ?? 0)
    ? { code: 'too-few', by: (need.min ?? 0) - have }
    : have > (need.max ?? Infinity)
      ? { code: 'too-many', by: have - (need.max ?? Infinity) }
      : null;

const stretchesOf = (all: Passage[]): Evidence[] =>
  all.flatMap((p) => ownStretches(p).map((s) => ({ from: p.line.pos + s.start, to: p.line.pos + s.end })));

const ownSentences = (all: Passage[]): (Evidence & { question: boolean })[] =>
  all
    .filter((p) => p.role === 'own')
    .flatMap((p) =>
      sentences(p.line.text)
        .filter((s) => p.ownWords.some((w) => w.start >= s.start && w.end <= s.end))
        .map((s) => ({
          from: p.line.pos + s.start,
          to: p.line.pos + s.end,
          question: /\?["”’)\]]*$/u.test(s.text),
        })),
    );

const firstName = (name: string) =>
  name.split(/\s+/u).filter((w) => !/^(?:dr|prof|mr|mrs|ms|mx)\.?$/iu.test(w))[0] ?? name;

function greetingOf(all: Passage[], name: string): Evidence[] {
  const wanted = firstName(name).toLowerCase();
  const opening = all.filter((p) => p.role === 'own' && p.ownWords.length > 0).slice(0, 1);
  return opening.flatMap((p) =>
    words(p.line.text)
      .slice(0, 8)
      .filter((w) => w.text.toLowerCase().replace(/['’]s$/u, '') === wanted)
      .map((w) => ({ from: p.line.pos + w.start, to: p.line.pos + w.end, note: name })),
  );
}

/**
 * Checks a draft against its brief: one result for each thing the brief asks, in the order a reader meets them. The
 * browser runs this while the student writes and the server runs it again when the post is shared.
 *
 * @example a brief that asks for 250 words and a draft of 138 gives
 *   `{ id: 'words', have: 138, need: { min: 250 }, met: false, missing: { code: 'too-few', by: 112 } }`
 */
export function runChecks(input: CheckInput): Check[] {
  const { brief } = input;
  const rules: WritingRules = input.kind === 'response' ? brief.response : brief.replies;
  const parts = input.kind === 'response' ? brief.parts : [];
  const all = passages(input.doc, parts, rules.countQuoted, input.given);
  const checks: Check[] = [];
  const add = (
    id: CheckId,
    have: number,
    need: Need,
    evidence: Evidence[],
    missing?: Missing | null,
    remarks: Remark[] = [],
  ) => {
    const met = missing ? false : inNeed(have, need);
    checks.push({
      id,
      have,
      need,
      met,
      required: !rules.advised.includes(id),
      evidence,
      missing: met ? null : (missing ?? gap(have, need)),
      ...(remarks.length ? { remarks } : {}),
    });
  };

  if (rules.words) add('words', wordFigures(all).own, rules.words, stretchesOf(all));
  if (rules.paragraphs) {
    const own = all.filter((p) => p.role === 'own' && p.line.kind === 'paragraph' && p.ownWords.length > 0);
    add(
      'paragraphs',
      own.length,
      rules.paragraphs,
      own.map((p) => ({ from: p.line.pos, to: p.line.pos + p.line.text.length })),
    );
  }
  const own = rules.sentences || rules.question ? ownSentences(all) : [];
  if (rules.sentences) add('sentences', own.length, rules.sentences, own);
  if (parts.length > 0) {
    const answers = partAnswers(all, parts);
    const open = answers.filter((a) => !a.answered);
    add(
      'parts',
      parts.length - open.length,
      { min: parts.length },
      answers.filter((a) => a.answered).flatMap((a) => a.evidence),
      open.length
        ? {
            code: 'parts-unanswered',
            parts: open.map((a) => ({ n: a.n, text: a.part.text, placed: a.placed })),
          }
        : null,
    );
  }
  // In a reply a quotation is the classmate's words. In a response it is a reading's, where its text is here to be compared.
  const quotable = input.kind === 'reply' ? [input.answered.text] : (input.readings ?? []);
  if (rules.quotes && (input.kind === 'reply' || quotable.length)) {
    const { found, foreign, near } = quotesFrom(all, quotable);
    const short = found.length < rules.quotes.min && foreign > 0;
    add(
      'quotes',
      found.length,
      rules.quotes,
      found,
      short
        ? { code: input.kind === 'reply' ? 'quotes-not-theirs' : 'quotes-not-read', found: foreign }
        : null,
      near.map((n) => ({ code: 'quote-near', ...n })),
    );
  } else if (rules.quotes) {
    const quoted = all.filter((p) => (p.role === 'quote' && p.otherWords > 0) || p.quoted.length > 0);
    const at = quoted.flatMap((p) =>
      (p.role === 'quote' ? [{ start: 0, end: p.line.text.length }] : p.quoted).map((q) => ({
        from: p.line.pos + q.start,
        to: p.line.pos + q.end,
      })),
    );
    add('quotes', at.length, rules.quotes, at);
  }
  if (rules.concepts) {
    const uses = conceptUses(all, brief.concepts);
    const used = uses.filter((u) => u.own.length > 0);
    const unused = uses.filter((u) => u.own.length === 0);
    add(
      'concepts',
      used.length,
      rules.concepts,
      used.flatMap((u) => u.own),
      used.length < rules.concepts.min
        ? {
            code: 'concepts-unused',
            terms: unused.map((u) => u.term),
            onlyQuoted: unused.filter((u) => u.quoted > 0).map((u) => u.term),
          }
        : null,
    );
  }
  if (rules.sources) {
    const found = sources(all, notesIn(input.doc));
    add(
      'sources',
      found.distinct,
      rules.sources,
      found.cited,
      found.distinct < rules.sources.min && found.listed > 0
        ? { code: 'sources-uncited', listed: found.listed }
        : null,
      [
        ...(found.unlisted.length ? [{ code: 'cited-not-listed' as const, names: found.unlisted }] : []),
        ...(found.uncited.length ? [{ code: 'listed-not-cited' as const, entries: found.uncited }] : []),
      ],
    );
    const check = checks.at(-1);
    if (check?.met && found.sure < rules.sources.min) check.unsure = true;
  }
  if (rules.question) {
    const asked = own.filter((s) => s.question);
    add('question', asked.length, rules.question, asked, asked.length === 0 ? { code: 'no-question' } : null);
  }
  if (rules.example) {
    const found = examplesOf(all);
    add('example', found.length, rules.example, found, found.length ? null : { code: 'no-example' });
  }
  if (rules.media) {
    const carried = mediaOf(input.doc, all);
    const wanted = rules.media.map((m) => ({ ...m, found: (carried.get(m.kind) ?? []).slice(0, m.min) }));
    const missing = wanted
      .filter((m) => m.found.length < m.min)
      .map((m) => ({ kind: m.kind, by: m.min - m.found.length }));
    const found = wanted.flatMap((m) => m.found);
    const min = wanted.reduce((n, m) => n + m.min, 0);
    add(
      'media',
      found.length,
      { min },
      found,
      missing.length ? { code: 'media-missing', media: missing } : null,
    );
  }
  if (input.kind === 'reply' && brief.replies.greetByName) {
    const found = greetingOf(all, input.answered.name);
    add(
      'greeting',
      found.length > 0 ? 1 : 0,
      { min: 1 },
      found,
      found.length ? null : { code: 'no-greeting', name: firstName(input.answered.name) },
    );
  }
  if (input.kind === 'response' && brief.response.title) {
    const wanted = brief.response.title;
    const title = input.title.trim();
    const right =
      typeof wanted === 'string'
        ? title.toLowerCase().includes(wanted.toLowerCase())
        : words(title).length > 0;
    add(
      'title',
      right ? 1 : 0,
      { min: 1 },
      [],
      right ? null : typeof wanted === 'string' ? { code: 'other-title', wanted } : { code: 'no-title' },
    );
  }
  return checks;
}

/** The required checks a draft does not meet: what makes a shared post short (rule 5). */
export const unmetRequired = (checks: Check[]): CheckId[] =>
  checks.filter((c) => c.required && !c.met).map((c) => c.id);

/** The figures of a draft that stand beside the checks: own words, and the words shown apart. */
export const figures = (
  doc: Doc,
  parts: Brief['parts'],
  countQuoted = false,
  given: readonly Given[] = [],
) => ({
  ...wordFigures(passages(doc, parts, countQuoted, given)),
  notes: notesIn(doc).reduce((n, { node }) => n + words(node.attrs.text).length, 0),
});

/** All that the foot of a draft shows: its checks, and whose its words are. */
export type Checked = {
  checks: Check[];
  figures: ReturnType<typeof figures>;
  /** Of a reply, for its writer alone: whether it says something. */
  substance: Substance | null;
};

/** What a text is checked against: everything of the checks but the text. */
export type CheckRules =
  | Omit<Extract<CheckInput, { kind: 'response' }>, 'title' | 'doc'>
  | (Omit<Extract<CheckInput, { kind: 'reply' }>, 'doc'> & {
      /** What its substance is judged against beside the post; without it nothing is judged. */
      about?: Pick<Answering, 'prompt' | 'others'> & { earlier?: readonly Earlier[] };
    });

// Reading a post and all that stands around it is for once, not for every key.
const readOf = new WeakMap<CheckRules, ReadAnswered>();

function judged(rules: CheckRules, doc: Doc): Substance | null {
  if (rules.kind === 'response' || !rules.about) return null;
  const read =
    readOf.get(rules) ??
    readAnswered({
      ...rules.about,
      peer: rules.answered,
      concepts: rules.brief.concepts.flatMap((c) => [c.term, ...c.aliases]),
    });
  readOf.set(rules, read);
  return substanceOf(doc, read, rules.about.earlier);
}

/** Checks a draft and counts its words: what a worker is asked while somebody writes. */
export function checkDraft(rules: CheckRules, text: { title: string; doc: Doc }): Checked {
  const { doc } = text;
  return rules.kind === 'response'
    ? {
        checks: runChecks({ ...rules, ...text }),
        figures: figures(doc, rules.brief.parts, rules.brief.response.countQuoted, rules.given),
        substance: null,
      }
    : {
        checks: runChecks({ ...rules, doc }),
        figures: figures(doc, [], rules.brief.replies.countQuoted, rules.given),
        substance: judged(rules, doc),
      };
}
