import type { Span } from '../text/quotations';
import type { Term } from '../text/terms';
import { countWords } from '../text/words';
import type { ReadAnswered } from './answered';

/** A clause shorter than this goes with the next: it has too few words to be told from another's. */
const CLAUSE_WORDS = 5;
/** So many of a sentence's weighty words must be in a clause, and so much of the clause's own, to be its retelling. */
const WORDS_SHARED = 2;
const SHARE = 0.3;

/** A sentence by whose words its weighty ones are. */
export type Worded = Span & {
  /** Terms that are in the classmate's post and were not given to everybody: the writer took them up from there. */
  theirs: Term[];
  /** Terms of the prompt and of the course's ideas. */
  given: Term[];
  /** Terms that neither the post nor the prompt nor the course has. */
  added: Term[];
};

/** A clause of a reply that says again what one sentence of the post says. */
export type Retold = Span & { words: number; of: number };

function clausesOf(reply: string, s: Span): Span[] {
  const found: Span[] = [];
  let from = s.start;
  for (const m of reply.slice(s.start, s.end).matchAll(/[,;:](?= )|$/gu)) {
    const to = s.start + m.index;
    if (to <= from || (to < s.end && countWords(reply.slice(from, to)) < CLAUSE_WORDS)) continue;
    found.push({ start: from, end: to });
    from = to + 1;
  }
  return found;
}

/**
 * The clauses of a reply that go through the post in the post's own order. Who argues takes up one point or two and stays
 * with them; who retells walks from the post's beginning to its end.
 *
 * @example three clauses that take up the post's first, second and third sentence are retold
 */
export function retoldIn(reply: string, all: readonly Worded[], read: ReadAnswered): Retold[] {
  const matched: Retold[] = [];
  for (const s of all) {
    for (const clause of clausesOf(reply, s)) {
      const inside = (t: Span) => t.start >= clause.start && t.end <= clause.end;
      const mine = new Set([...s.theirs, ...s.given].filter(inside).map((t) => t.stem));
      const added = s.added.filter(inside).length;
      const hits = read.sentences.map((p) => [...mine].filter((stem) => p.stems.has(stem)).length);
      const most = Math.max(0, ...hits);
      if (most < WORDS_SHARED || most / (mine.size + added) < SHARE) continue;
      matched.push({
        ...clause,
        words: countWords(reply.slice(clause.start, clause.end)),
        of: hits.indexOf(most),
      });
    }
  }
  return matched.filter((c, i) => i === 0 || c.of >= (matched[i - 1]?.of ?? 0));
}
