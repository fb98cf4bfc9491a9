/** Ids and easily confused numbers carry a brand, so that one cannot be passed for another. */
declare const brand: unique symbol;
type Branded<T, B extends string> = T & { readonly [brand]: B };

export type PersonId = Branded<string, 'person'>;
export type CourseId = Branded<string, 'course'>;
export type DiscussionId = Branded<string, 'discussion'>;
/** The number a post is known by in its course, shown as `#412`. */
export type PostId = Branded<number, 'post'>;
/** A moment: milliseconds since 1970-01-01T00:00Z. */
export type Instant = Branded<number, 'instant'>;

/** @example personId('7d0f…') // the same text, as a person's */
export const personId = (id: string) => id as PersonId;
/** @example courseId('7d0f…') // the same text, as a course's */
export const courseId = (id: string) => id as CourseId;
/** @example discussionId('7d0f…') // the same text, as a discussion's */
export const discussionId = (id: string) => id as DiscussionId;
/** @example postId(12) // post #12 */
export const postId = (id: number) => id as PostId;
/** @example instant(0) // 1970-01-01T00:00Z */
export const instant = (ms: number) => ms as Instant;

/** An observer looks on: they read what the class reads, and write nothing. */
export type Role = 'student' | 'instructor' | 'assistant' | 'observer';
/** Those who teach a course. */
export const STAFF = ['instructor', 'assistant'] as const satisfies readonly Role[];
/** @example isStaff('assistant') // true */
export const isStaff = (role: Role) => (STAFF as readonly Role[]).includes(role);
/** Whether something is owed in a course by somebody of a role: by students alone. @example owes('observer') // false */
export const owes = (role: Role) => role === 'student';

/** A course's code as it stands in an address. @example courseSlug('GEO 115') // 'geo-115' */
export const courseSlug = (code: string) =>
  code
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/gu, '');

/**
 * A course's name in addresses: its own, or what its code says.
 * @example slugOf({ code: 'GEO 115', slug: null }) // 'geo-115'
 */
export const slugOf = (course: { code: string; slug: string | null }) =>
  course.slug ?? courseSlug(course.code);
