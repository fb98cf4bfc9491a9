import type { Part } from '../brief/brief';
import { partAnswers } from '../checks/parts';
import { passages, type Passage } from '../checks/passages';
import { attachmentsIn } from '../document/attachments';
import type { Doc } from '../document/nodes';
import { words, type Word } from '../text/words';
import { slips } from './distance';
import type { Finding } from './finding';
import { unquoted } from './unquoted';

/** A dictionary: whether a word is spelt right. */
export type Speller = { correct: (word: string) => boolean };

export type ProofreadInput = {
  doc: Doc;
  parts: Part[];
  /** Everybody in the course. */
  names: string[];
  /** Words that are right here: the writer's own and the course's. */
  known: string[];
  speller: Speller | null;
  /** The readings' runs of words (`readingRuns`). */
  runs: ReadonlyMap<string, string>;
};

const at = (p: Passage, start: number, end: number) => ({
  from: p.line.pos + start,
  to: p.line.pos + end,
  text: p.line.text.slice(start, end),
});

/** Twice may be meant: "the fact that that happened", "had had". */
const MAY_DOUBLE = /^(?:that|had|do|no|so|very|really|far|many|long|bye)$/iu;

function doubledWords(p: Passage): Finding[] {
  return words(p.line.text).flatMap((word, i, all): Finding[] => {
    const before = all[i - 1];
    if (!before || before.text.toLowerCase() !== word.text.toLowerCase()) return [];
    if (MAY_DOUBLE.test(word.text) || /\p{N}/u.test(word.text)) return [];
    // "What it is is a wall": only a clause that begins with such a word ends in a verb before another.
    if (
      /^is$/iu.test(word.text) &&
      /\b(?:what|who|where|how|why|whatever)\b[^.!?]*$/iu.test(p.line.text.slice(0, before.start))
    )
      return [];
    if (!/^\s+$/u.test(p.line.text.slice(before.end, word.start))) return [];
    return [{ kind: 'doubled-word', ...at(p, before.start, word.end), fixes: [before.text] }];
  });
}

/** Quotation marks that are opened and never closed, within a paragraph. */
function openQuotations(p: Passage): Finding[] {
  const { text } = p.line;
  const found: Finding[] = [];
  let open: number | null = null;
  const report = (start: number) => {
    const rest = text.slice(start, start + 60).replace(/\s+\S*$/u, '');
    found.push({ kind: 'open-quotation', ...at(p, start, start + Math.max(1, rest.length)), fixes: [] });
  };
  for (const [i, c] of [...text].reduce<[number, string][]>((all, char) => {
    const last = all[all.length - 1];
    all.push([last ? last[0] + last[1].length : 0, char]);
    return all;
  }, [])) {
    if (c === '“') {
      if (open !== null) report(open);
      open = i;
    } else if (c === '”') open = null;
    else if (c === '"') {
      // A number before it makes it inches.
      if (open === null && /\d$/u.test(text.slice(0, i))) continue;
      open = open === null ? i : null;
    }
  }
  if (open !== null) report(open);
  return found;
}

/** A sentence that begins without a blank after the one before: "It pays.It is". Letters before and a capital behind, no address. */
const NO_BLANK = /(?<=\p{Ll}{2})([.!?;])(?=\p{Lu}\p{Ll})/gu;
const NO_BLANK_COMMA = /(?<=\p{Ll}{2}),(?=\p{L}{2})/gu;
/** A blank before a mark that closes: "fair ." */
const BLANK_BEFORE = /(?<=[\p{L}\p{N})”’])[ \u00a0]+([.,;:!?])(?=\s|$)/gu;

/** Blanks that are missing behind a mark, or stand before one. */
function blanks(p: Passage): Finding[] {
  const { text } = p.line;
  const around = (from: number, to: number) => {
    const start = from - (/\S*$/u.exec(text.slice(0, from))?.[0].length ?? 0);
    const end = to + (/^\S*/u.exec(text.slice(to))?.[0].length ?? 0);
    return { start, end, word: text.slice(start, end) };
  };
  const missing = [NO_BLANK, NO_BLANK_COMMA].flatMap((pattern) =>
    [...text.matchAll(pattern)].flatMap((m): Finding[] => {
      const { start, end, word } = around(m.index, m.index + 1);
      if (/^(?:https?:|www\.|\S+@)/iu.test(word.replace(/^[(<“"]+/u, ''))) return [];
      const at_ = m.index + 1 - start;
      return [{ kind: 'blank', ...at(p, start, end), fixes: [`${word.slice(0, at_)} ${word.slice(at_)}`] }];
    }),
  );
  const extra = [...text.matchAll(BLANK_BEFORE)].map((m): Finding => {
    const { start } = around(m.index, m.index);
    const end = m.index + m[0].length;
    return { kind: 'blank', ...at(p, start, end), fixes: [text.slice(start, m.index) + (m[1] ?? '')] };
  });
  return [...missing, ...extra];
}

/** Pronouns with the forms of "be", "have" and "do" that do not go with them, and the form that does. */
const DISAGREES: [RegExp, (verb: string) => string | undefined][] = [
  [
    /\b(it|he|she)\s+(are|were|have|do|am)(?=\s|[.,;!?]|$)/giu,
    (v) => ({ are: 'is', am: 'is', were: 'was', have: 'has', do: 'does' })[v],
  ],
  [
    /\b(we|they|you)\s+(is|was|has|does|am)(?=\s|[.,;!?]|$)/giu,
    (v) => ({ is: 'are', am: 'are', was: 'were', has: 'have', does: 'do' })[v],
  ],
  [
    /\b(I)\s+(is|are|has|does|were)(?=\s|[.,;!?]|$)/gu,
    (v) => ({ is: 'am', are: 'am', has: 'have', does: 'do', were: 'was' })[v],
  ],
];
/** "If it were", "let it have", "make it do", "what does it have", "Mary and he have", "people like it do": another word rules the verb. */
const RULED =
  /\b(?:if|wish(?:es|ed)?|though|lest|unless|suppose|were|and|or|that|let|lets|make|makes|made|have|has|had|help|helps|saw|see|watch|hear|heard|do|does|did|will|would|can|could|may|might|must|shall|should|to|of|like|with|for|than|about|behind|in|on|before|after|how|of us|who|the|a)\s*$/iu;

/** "It are": a pronoun and a verb that do not go together. Said only where nothing before them may be what the verb goes with. */
const agreement = (p: Passage): Finding[] =>
  DISAGREES.flatMap(([pattern, right]) =>
    [...p.line.text.matchAll(pattern)].flatMap((m): Finding[] => {
      const [whole, pronoun = '', verb = ''] = m;
      const fix = right(verb.toLowerCase());
      if (!fix || RULED.test(p.line.text.slice(0, m.index))) return [];
      return [
        {
          kind: 'agreement',
          ...at(p, m.index, m.index + whole.length),
          fixes: [`${pronoun} ${fix}`],
        },
      ];
    }),
  );

const ATTACHED =
  /\b(?:(?:is|are|i(?:'|’)?ve|have|find|see)\s+(?:the\s+)?attach(?:ed|ment)s?|attached\s+(?:is|are|you|file|picture|photo|image|document|map))\b/giu;

/** Says that something is attached while nothing is. */
const attachments = (p: Passage): Finding[] =>
  [...p.line.text.matchAll(ATTACHED)].map((m) => ({
    kind: 'attachment',
    ...at(p, m.index, m.index + m[0].length),
    fixes: [],
  }));

const bare = (word: string) => word.replace(/['’]s?$/u, '').replace(/’/gu, "'");

/** Words a dictionary is not asked about: with digits, in capitals, or pieces of an address. */
function isAsked(p: Passage, word: Word): boolean {
  const { text } = p.line;
  if (/[\p{N}_]/u.test(word.text) || word.text.length < 2) return false;
  if (word.text === word.text.toUpperCase()) return false;
  const around = /\S*$/u.exec(text.slice(0, word.start))?.[0] ?? '';
  const whole = around + (/^\S*/u.exec(text.slice(word.start))?.[0] ?? '');
  return !/^(?:https?:|www\.|\S+@\S+\.|10\.\d{4})/iu.test(whole.replace(/^[(<“"]+/u, ''));
}

/** A classmate's name with a slip in it, for a word that no dictionary knows. */
function nameMeant(word: string, names: readonly string[]): string | null {
  if (!/^\p{Lu}/u.test(word) || word.length < 4) return null;
  const most = word.length >= 8 ? 2 : 1;
  const near = names
    .map((name) => ({ name, n: slips(word.toLowerCase(), name.toLowerCase(), most) }))
    .filter((m) => m.n > 0 && m.n <= most)
    .sort((a, b) => a.n - b.n);
  return near[0]?.name ?? null;
}

function spelling(
  p: Passage,
  input: ProofreadInput,
  names: readonly string[],
  known: ReadonlySet<string>,
): Finding[] {
  const { speller } = input;
  if (!speller) return [];
  return words(p.line.text).flatMap((word): Finding[] => {
    const text = bare(word.text);
    if (!text || !isAsked(p, word) || known.has(text.toLowerCase()) || speller.correct(text)) return [];
    const place = at(p, word.start, word.start + text.length);
    const name = nameMeant(text, names);
    return name
      ? [{ kind: 'name', ...place, fixes: [name], about: name }]
      : [{ kind: 'spelling', ...place, fixes: [] }];
  });
}

/**
 * Reads a draft over, as far as one text and its course can tell: spelling and names, words written twice, quotation marks
 * left open, things said to be attached, questions without an answer, passages of a reading without quotation marks. In
 * reading order. Links are another matter: whether one leads anywhere only the server can ask.
 *
 * @example "the the river" gives one finding, a word written twice
 */
export function proofread(input: ProofreadInput): Finding[] {
  const all = passages(input.doc, input.parts);
  const names = [...new Set(input.names.flatMap((n) => n.split(/[\s-]+/u)).filter((n) => n.length > 2))];
  const known = new Set([...input.known, ...names].map((w) => w.toLowerCase()));
  const written = all.filter((p) => p.role === 'own' && p.line.kind !== 'code' && p.line.kind !== 'math');
  const carried = attachmentsIn(input.doc);
  const found = [
    ...written.flatMap((p) => [
      ...doubledWords(p),
      ...openQuotations(p),
      ...blanks(p),
      ...agreement(p),
      ...(carried.length ? [] : attachments(p)),
      ...spelling(p, input, names, known),
    ]),
    ...unquoted(all, input.runs),
    ...carried.flatMap(({ node, pos }): Finding[] =>
      node.type === 'picture' && node.attrs.alt.trim() === ''
        ? [
            {
              kind: 'alt',
              from: pos,
              to: pos + 1,
              text: node.attrs.caption ?? '',
              fixes: [],
              about: node.attrs.file,
            },
          ]
        : [],
    ),
    ...partAnswers(all, input.parts)
      .filter((a) => a.placed && !a.answered)
      .flatMap((a): Finding[] => {
        const heading = all.find((p) => p.role === 'part-heading' && p.part === a.part.id);
        const from = heading?.line.pos ?? 0;
        return [{ kind: 'part', from, to: from + 1, text: '', fixes: [], about: `${a.n}` }];
      }),
  ];
  return found.sort((a, b) => a.from - b.from || a.to - b.to);
}
