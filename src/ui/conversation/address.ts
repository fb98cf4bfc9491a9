import type { QuestionKind } from '@/core/questions/asking';
import { conversationAt, questionAt } from '@/contract/addresses';
import type { Arrangement } from '@/core/posts/arrange';
import type { ThreadFilter } from '@/core/posts/filters';

/** How a conversation is looked at: what its address says beside the open post. */
export type Look = {
  slug: string;
  as: Arrangement;
  newestFirst: boolean;
  /** How this reader reads where the address says nothing. */
  habit: { as: Arrangement; newestFirst: boolean };
  filter: ThreadFilter;
  /** What is shown where the address names no filter. */
  standard: ThreadFilter;
  person: string | null;
  /** The words that were looked for. */
  words: string;
  /** Of a question: where it is asked, and its number. */
  asks: { course: string; number: number; kind: QuestionKind } | null;
};

/** How a conversation is looked at, and nothing else of it: this goes to every part of the page. */
export const lookOf = (
  view: Omit<Look, 'slug' | 'person' | 'asks'> & { person: { id: string } | null },
  slug: string,
  asks: Look['asks'] = null,
): Look => ({
  slug,
  as: view.as,
  newestFirst: view.newestFirst,
  habit: view.habit,
  filter: view.filter,
  standard: view.standard,
  person: view.person?.id ?? null,
  words: view.words,
  asks,
});

/** The address of a conversation looked at in this way, with a post open or a page of the list. */
export function addressOf(look: Look, at: { post?: number | null; page?: number | null } = {}): string {
  if (look.asks) return questionAt(look.asks.course, look.asks.number, at.post ? { post: at.post } : {});
  const q: Record<string, string | number> = {};
  if (at.post) q.post = at.post;
  // A conversation laid out in another way than in threads says so to whoever is given its address.
  if (look.as !== 'threads' || look.habit.as !== 'threads') q.as = look.as;
  if (look.as === 'time' && look.newestFirst) q.order = 'newest';
  else if (look.as === 'time' && look.habit.newestFirst) q.order = 'oldest';
  if (look.filter === 'found') q.words = look.words;
  else if (look.filter !== look.standard) q.show = look.filter;
  if (look.filter === 'person' && look.person) q.of = look.person;
  if (at.page && at.page > 1) q.page = at.page;
  return conversationAt(look.slug, q);
}
