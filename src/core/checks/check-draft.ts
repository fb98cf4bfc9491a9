import type { Brief } from '../brief/brief';
import { notesIn } from '../document/flatten';
import type { Doc } from '../document/nodes';
import { readAnswered, type Answered as Answering, type ReadAnswered } from '../substance/answered';
import { substanceOf, type Substance } from '../substance/on-document';
import type { Earlier } from '../substance/repeated';
import { words } from '../text/words';
import type { CheckInput } from './check-kind';
import { runChecks } from './checks';
import type { Given } from './not-own';
import { passages, wordFigures } from './passages';
import type { Check } from './types';

/**
 * The figures of a draft that stand beside the checks: own words, and the words shown apart.
 * @example a text of one heading, five own words and a quotation of three gives `{ own: 5, quoted: 3, headings: …, … }`
 */
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

/**
 * Checks a draft and counts its words: what a worker is asked while somebody writes.
 * @example of a response without a word: every check with `have: 0`, and figures that are all 0
 */
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
