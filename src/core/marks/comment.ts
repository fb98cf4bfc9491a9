import { z } from 'zod';
import { LONGEST_PASSAGE, type Anchor } from '../notes/anchor';

export const COMMENT_LIMITS = { body: 4_000, instead: 2_000, most: 100 } as const;

const anchorSchema = z.strictObject({
  exact: z.string().min(1).max(LONGEST_PASSAGE),
  prefix: z.string().max(64),
  suffix: z.string().max(64),
  start: z.number().int().min(0),
  end: z.number().int().min(0),
}) satisfies z.ZodType<Anchor>;

/** A remark of staff at a passage of a post. */
export const commentSchema = z.strictObject({
  id: z.uuid(),
  post: z.number().int().positive(),
  /** The version of the post it was written on. */
  n: z.number().int().positive(),
  anchor: anchorSchema,
  body: z.string().max(COMMENT_LIMITS.body).default(''),
  /** Other words for the passage; empty to strike it; null where nothing is suggested. */
  instead: z.string().max(COMMENT_LIMITS.instead).nullable().default(null),
});
export type Comment = z.infer<typeof commentSchema>;

/** Where a passage stands now, as offsets of its post's text. */
export type Place = { start: number; end: number };
/** A comment with its number on the page, and where its passage stands; null where it is gone. */
export type Numbered = { comment: Comment; number: number; place: Place | null };

/**
 * Comments as they are read: post by post in the order of the page, by where each passage stands, those whose passage is gone last.
 *
 * @param posts the posts of the page in their order
 * @param placeOf where a comment's passage stands in its post's text as it is shown
 * @example a comment at the end of a response and one at its beginning: the latter is 1
 */
export function numbered(
  comments: readonly Comment[],
  posts: readonly number[],
  placeOf: (comment: Comment) => Place | null,
): Numbered[] {
  const order = new Map(posts.map((id, i) => [id, i]));
  const last = Number.MAX_SAFE_INTEGER;
  return comments
    .map((comment, i) => ({ comment, i, place: placeOf(comment) }))
    .sort(
      (a, b) =>
        (order.get(a.comment.post) ?? last) - (order.get(b.comment.post) ?? last) ||
        (a.place?.start ?? last) - (b.place?.start ?? last) ||
        a.i - b.i,
    )
    .map(({ comment, place }, n) => ({ comment, place, number: n + 1 }));
}

/** One stretch of a text that is marked, with the comments that meet there. */
export type CommentMark = Place & { numbers: number[]; ids: string[] };

/**
 * Stretches to mark in one post's text: passages that overlap share one.
 * @example two comments on overlapping passages give one stretch with both numbers
 */
export function commentMarks(all: readonly Numbered[], post: number): CommentMark[] {
  const marks: CommentMark[] = [];
  for (const { comment, number, place } of all) {
    if (comment.post !== post || !place || place.end <= place.start) continue;
    const before = marks.at(-1);
    if (before && place.start < before.end) {
      before.end = Math.max(before.end, place.end);
      before.numbers.push(number);
      before.ids.push(comment.id);
    } else marks.push({ ...place, numbers: [number], ids: [comment.id] });
  }
  return marks;
}

/** Whether a comment says anything. @example an empty body and no other words: false */
export const saysSomething = (c: Comment): boolean => c.body.trim() !== '' || c.instead !== null;
