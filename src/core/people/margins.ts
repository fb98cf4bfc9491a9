/** A note in the margin of a reading: on which passage of it, where it is on one. */
export type Margin = { reading: string; passage: string | null; body: string };

const MOST_LETTERS = 20_000;
const LONGEST_PASSAGE = 200;

/**
 * A note to oneself with what one wrote in the margins of readings under it, each with its passage; as much of it as a note holds.
 *
 * @example noteWithMargins('', [{ reading: 'Levees', passage: 'the wall', body: 'Whose?' }]) // 'In the margin of “Levees”, at “the wall”:\nWhose?'
 */
export function noteWithMargins(note: string, margins: readonly Margin[]): string {
  const lines = margins.map(({ reading, passage, body }) => {
    const short = passage?.replace(/\s+/gu, ' ').trim() ?? '';
    const said = short.length > LONGEST_PASSAGE ? `${short.slice(0, LONGEST_PASSAGE)}…` : short;
    return `In the margin of “${reading}”${said ? `, at “${said}”` : ''}:\n${body}`;
  });
  return [note, ...lines].filter(Boolean).join('\n\n').slice(0, MOST_LETTERS);
}

/**
 * A note to oneself with the mark one has there under it: the number or the verdict alone, for what was said with it is its marker's.
 *
 * @example noteWithMark('Ask about the gauge.', { points: 24, of: 30, verdict: null }) // 'Ask about the gauge.\n\nThe mark there: 24 of 30.'
 */
export function noteWithMark(
  note: string,
  { points, of, verdict }: { points: number | null; of: number | null; verdict: 'done' | 'again' | null },
): string {
  const said =
    points !== null && of !== null
      ? `${points} of ${of}`
      : verdict && { done: 'done', again: 'to be done again' }[verdict];
  return said ? [note, `The mark there: ${said}.`].filter(Boolean).join('\n\n').slice(0, MOST_LETTERS) : note;
}
