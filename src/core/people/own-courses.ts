import { z } from 'zod';
import { rubricSchema } from '../rubric/rubric';
import { briefSchema } from '../brief/brief';
import { lateRuleSchema } from '../deadlines/late';
import type { Doc } from '../document/nodes';
import { parseDocument } from '../document/document';
import { fail, ok, type Result } from '../result';

/*
 * The courses that somebody keeps for themselves, as they travel from one installation to another: in an archive of one's own, as `data/own courses.json`.
 * Its published form is `docs/schemas/own-courses-1.json`.
 */

const FORMAT = 'pulpit own courses';
const wall = z.string().regex(/^\d{4}-\d\d-\d\dT\d\d:\d\d$/u);
const day = z.string().regex(/^\d{4}-\d\d-\d\d$/u);
const moment = z.iso.datetime({ offset: true });
const line = (most: number) => z.string().max(most);
/** A document, with nothing in it that a document may not hold. */
const doc = z.custom<Doc>((value) => parseDocument(value).ok);

const postSchema = z.strictObject({
  /** Its number in this file. */
  n: z.number().int().positive(),
  /** Null: the student's own. */
  author: z.strictObject({ name: line(120).min(1), staff: z.boolean() }).nullable(),
  /** The number of the post it answers; null for a response. */
  answers: z.number().int().positive().nullable(),
  sharedAt: moment,
  notedAt: moment.nullable(),
  withdrawn: z.boolean(),
  /** Only whom it answers read it, and those who teach. */
  private: z.literal(true).optional(),
  read: z.boolean(),
  /** Its texts, the oldest first. */
  versions: z
    .array(z.strictObject({ at: moment, title: line(200), doc }))
    .min(1)
    .max(200),
});
const draftSchema = z.strictObject({
  answers: z.number().int().positive().nullable(),
  title: line(200),
  doc,
  keptAt: moment,
});
const discussionSchema = z.strictObject({
  title: line(200).min(1),
  week: z.strictObject({ number: z.number().int().min(1).max(60), startsOn: day }),
  opens: wall,
  responseDue: wall,
  repliesDue: wall,
  late: lateRuleSchema,
  brief: briefSchema,
  prompt: doc,
  /** What stands beside the prompt to be marked by; earlier files have none. */
  rubric: rubricSchema.optional(),
  source: z.strictObject({ name: line(400), whole: z.string() }).nullable(),
  note: z.strictObject({ body: line(20_000), keptAt: moment }).nullable(),
  posts: z.array(postSchema).max(3_000),
  drafts: z.array(draftSchema).max(500),
});
export const ownCoursesSchema = z.strictObject({
  format: z.literal(FORMAT),
  version: z.literal(1),
  courses: z
    .array(
      z.strictObject({
        code: line(60).min(1),
        title: line(200),
        zone: line(60).min(1),
        /** Sources on the shelf of the course, in CSL-JSON. */
        sources: z.array(z.looseObject({})).max(2_000),
        discussions: z.array(discussionSchema).max(300),
      }),
    )
    .max(60),
});

export type OwnCourses = z.infer<typeof ownCoursesSchema>;
export type OwnCourse = OwnCourses['courses'][number];
export type OwnDiscussion = OwnCourse['discussions'][number];

/**
 * The courses of a file, or why it cannot be taken: another format, a later version, or something in it that is not as it should be, with where.
 * @example readOwnCourses({ format: 'pulpit own courses', version: 1, courses: [] }) // no courses
 */
export function readOwnCourses(
  value: unknown,
): Result<
  OwnCourses,
  { code: 'not-own-courses' } | { code: 'newer' } | { code: 'malformed'; where: string }
> {
  const head = z.looseObject({ format: z.literal(FORMAT), version: z.number().int() }).safeParse(value);
  if (!head.success) return fail({ code: 'not-own-courses' });
  if (head.data.version > 1) return fail({ code: 'newer' });
  const read = ownCoursesSchema.safeParse(value);
  if (!read.success)
    return fail({ code: 'malformed', where: (read.error.issues[0]?.path ?? []).join('.').slice(0, 120) });
  for (const course of read.data.courses)
    for (const d of course.discussions) {
      const numbers = new Set(d.posts.map((p) => p.n));
      const stray = [...d.posts, ...d.drafts].find((p) => p.answers !== null && !numbers.has(p.answers));
      if (stray || numbers.size < d.posts.length)
        return fail({ code: 'malformed', where: `${course.code}, ${d.title}`.slice(0, 120) });
    }
  return ok(read.data);
}

/**
 * A discussion with each of its texts put through `change`: the prompt, every version of every post, and drafts.
 * @example withDocuments(discussion, (doc) => doc) // as it was
 */
export const withDocuments = (d: OwnDiscussion, change: (doc: Doc) => Doc): OwnDiscussion => ({
  ...d,
  prompt: change(d.prompt),
  posts: d.posts.map((p) => ({ ...p, versions: p.versions.map((v) => ({ ...v, doc: change(v.doc) })) })),
  drafts: d.drafts.map((x) => ({ ...x, doc: change(x.doc) })),
});

/**
 * Every text of somebody's courses.
 * @example of one discussion with a post of two versions: its prompt and the two
 */
export function documentsIn({ courses }: OwnCourses): Doc[] {
  const found: Doc[] = [];
  for (const course of courses)
    for (const discussion of course.discussions)
      withDocuments(discussion, (doc) => {
        found.push(doc);
        return doc;
      });
  return found;
}

/**
 * Posts in an order in which each comes after what it answers; those that answer each other in a ring are left out.
 * @example afterWhatTheyAnswer([{ n: 2, answers: 1 }, { n: 1, answers: null }]).map((p) => p.n) // [1, 2]
 */
export function afterWhatTheyAnswer<P extends { n: number; answers: number | null }>(
  posts: readonly P[],
): P[] {
  const below = new Map<number | null, P[]>();
  for (const post of posts) below.set(post.answers, [...(below.get(post.answers) ?? []), post]);
  const ordered: P[] = [];
  const queue = [...(below.get(null) ?? [])];
  for (let post = queue.shift(); post; post = queue.shift()) {
    ordered.push(post);
    queue.push(...(below.get(post.n) ?? []));
  }
  return ordered;
}
