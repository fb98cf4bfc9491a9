/** The keys under which somebody keeps remarks for marking: one digit each. */
export const REMARK_KEYS = [1, 2, 3, 4, 5, 6, 7, 8, 9] as const;
export const LONGEST_KEPT_REMARK = 600;

/**
 * A text with a kept remark put in at its cursor, in the place of what is selected, and where the cursor stands then. Words that would run
 * into one another are kept apart.
 *
 * @example putIn('Good.', { from: 5, to: 5 }, 'Name a source.') // { text: 'Good. Name a source.', at: 20 }
 */
export function putIn(
  text: string,
  { from, to }: { from: number; to: number },
  remark: string,
): { text: string; at: number } {
  const [before, after] = [text.slice(0, from), text.slice(to)];
  const put = `${/\S$/u.test(before) ? ' ' : ''}${remark}${/^\S/u.test(after) ? ' ' : ''}`;
  return { text: before + put + after, at: before.length + put.length };
}
