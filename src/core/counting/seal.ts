import type { Schedule } from '../deadlines/schedule';
import { instant, type Instant } from '../ids';
import type { OwnPost } from './types';

/** What opens a sealed discussion: a response that meets the required checks, or any at all where the brief says so. */
export type SealRule = { sealed: boolean; opensWithAny: boolean };

/** Why the seal holds, and when it opens without anything more being written; null where it does not by itself. */
export type Seal = { because: 'no-response' | 'short'; opens: Instant | null };

type Asked = { rule: SealRule; posts: readonly OwnPost[]; schedule: Schedule };

/**
 * When the seal opens for a student by what they have shared (rule 4): with the first text of a response that meets the
 * required checks; else, for whoever has shared one at all, when the response deadline has passed. Where the brief says
 * "with any", the first response opens it. What was withdrawn opens nothing, for nobody who has opened a classmate's post can
 * withdraw; what staff have hidden since does. Null where no response stands.
 *
 * @returns a moment that may lie in the future: the response deadline of a short response
 * @example a response of two words on Tuesday, complete on Wednesday // Wednesday
 */
export function sealOpensAt({ rule, posts, schedule }: Asked): Instant | null {
  const versions = posts
    .filter((p) => p.kind === 'response' && !p.withdrawn)
    .map((p) => p.versions)
    .filter((all) => all.length > 0);
  if (versions.length === 0) return null;
  const first = Math.min(...versions.map(([v]) => v?.at ?? Infinity));
  if (rule.opensWithAny) return instant(first);
  const met = versions.flat().filter((v) => v.unmet.length === 0);
  const atDeadline = Math.max(first, schedule.response.due);
  return instant(Math.min(atDeadline, ...met.map((v) => v.at)));
}

/**
 * Whether classmates' posts are withheld from a student now, and why: null where they are not. Once nothing more can be
 * shared the posts open for reading.
 *
 * @example before anything is shared: `{ because: 'no-response', opens: null }`
 */
export function sealFor(input: Asked & { now: Instant }): Seal | null {
  const { rule, schedule, now } = input;
  if (!rule.sealed || now >= schedule.closes) return null;
  const opens = sealOpensAt(input);
  if (opens !== null && opens <= now) return null;
  return { because: opens === null ? 'no-response' : 'short', opens };
}
