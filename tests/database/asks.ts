import { randomUUID } from 'node:crypto';
import type { Knex } from 'knex';
import type { Asking } from '@/core/questions/asking';
import type { Actor } from '@/server/deps';
import { share } from '@/server/posts/share';
import { askQuestion } from '@/server/questions/ask';
import { questionsPage } from '@/server/questions/questions';
import { deps, shareInput, text } from './world';

export const COURSE = 'geo-115';
export const PLAIN = { show: 'all', week: null, label: null, page: 1, post: null, ask: null } as const;
export const asking = (over: Partial<Asking> = {}): Asking => ({
  kind: 'asks',
  audience: 'everybody',
  cover: 'no',
  about: null,
  ...over,
});

/** How the tests of the questions of a course ask, answer and look. */
export function asksIn(db: () => Knex) {
  type More = Partial<Omit<Parameters<typeof askQuestion>[3], 'asking'>>;
  /** Asks something, and says what came of it. */
  const ask = (who: Actor, title: string, how: Partial<Asking> = {}, when = 'Tue 10:00', more: More = {}) =>
    askQuestion(deps(db(), when), who, COURSE, {
      submission: randomUUID(),
      title,
      doc: text(`${title} I would like to know it.`),
      asking: asking(how),
      ...more,
    });
  /** Asks something, and gives its number. */
  async function asked(...what: Parameters<typeof ask>): Promise<number> {
    const done = await ask(...what);
    if (!done.ok) throw new Error(done.failure.code);
    return done.value.number;
  }
  const pageOf = async (who: Actor, number: number | null = null, when = 'Tue 12:00') => {
    const found = await questionsPage(deps(db(), when), who, COURSE, { ...PLAIN, number });
    return found.ok ? found.value : null;
  };
  const lineOf = async (who: Actor, number: number) =>
    (await pageOf(who))?.lines.find((l) => l.number === number) ?? null;
  /** Answers a question, and gives the answer's number. */
  async function answered(who: Actor, number: number, words: string, when = 'Tue 11:00'): Promise<number> {
    const page = await pageOf(who, number);
    const done = await share(
      deps(db(), when),
      who,
      page?.room ?? '',
      shareInput(words, { kind: 'reply', parent: page?.open?.line.post ?? 0 }),
    );
    if (!done.ok) throw new Error(done.failure.code);
    return done.value.post;
  }
  return { ask, asked, pageOf, lineOf, answered };
}
