import type { PostKind } from '@/core/counting/types';
import type { Doc } from '@/core/document/nodes';
import {
  instant,
  personId,
  postId,
  type CourseId,
  type DiscussionId,
  type Instant,
  type PersonId,
  type PostId,
} from '@/core/ids';
import { at, type Ask } from '../ask';
import { timestamptz, type Db } from '../connection';
import { docColumns } from './doc-columns';

type Place = { course: CourseId; discussion: DiscussionId };

export type HandedOver = {
  id: string;
  person: { id: PersonId; name: string };
  kind: PostKind;
  parent: PostId | null;
  /** Whom the reply it is would answer. */
  to: string | null;
  title: string;
  doc: Doc;
  said: string;
  handedAt: Instant;
  /** When the student's own draft was kept last; null where there is none any more. */
  keptAt: Instant | null;
  /** When its text was kept as it was written, the newest first. */
  versions: { at: Instant; words: number }[];
};

export async function insertHandedOver(
  db: Db,
  { course, discussion }: Place,
  handed: {
    id: string;
    person: PersonId;
    kind: PostKind;
    parent: PostId | null;
    title: string;
    doc: Doc;
    said: string;
    now: Instant;
  },
) {
  await db('handed_over').insert({
    id: handed.id,
    course_id: course,
    discussion_id: discussion,
    person_id: handed.person,
    kind: handed.kind,
    parent_id: handed.parent,
    title: handed.title,
    ...docColumns(handed.doc),
    said: handed.said,
    handed_at: timestamptz(handed.now),
  });
}

/** How many drafts a person has handed over in a discussion that wait for an answer. */
export async function openHandedOf(db: Db, { course, discussion }: Place, person: PersonId): Promise<number> {
  const row = await db('handed_over')
    .where({ course_id: course, discussion_id: discussion, person_id: person })
    .whereNull('answered_at')
    .count('* as n')
    .first();
  return Number(row?.n ?? 0);
}

type Row = {
  id: string;
  person_id: string;
  name: string;
  kind: PostKind;
  parent_id: number | null;
  to_name: string | null;
  title: string;
  doc: Doc;
  said: string;
  handed_at: number;
  kept_at: number | null;
  versions: { at: string; words: number }[];
};

/** Of a table of drafts or of their versions: those of whoever handed one over, in the same place. */
const inItsPlace = (table: string) =>
  `from ${table} d where d.author_id = h.person_id and d.discussion_id = h.discussion_id and d.kind = h.kind
    and d.parent_id is not distinct from h.parent_id and d.edits is null`;

/** The drafts of a discussion that were handed over and wait for an answer, the first first; or the one that is named. */
export async function openHandedIn(
  db: Db,
  { course, discussion }: Place,
  id?: string,
): Promise<HandedOver[]> {
  const rows: Row[] = await db('handed_over as h')
    .join('people as p', 'p.id', 'h.person_id')
    .leftJoin('posts as q', 'q.id', 'h.parent_id')
    .leftJoin('people as t', 't.id', 'q.author_id')
    .where({ 'h.course_id': course, 'h.discussion_id': discussion })
    .whereNull('h.answered_at')
    .modify((q) => {
      if (id !== undefined) q.where('h.id', id);
    })
    .orderBy('h.handed_at')
    .select(
      'h.*',
      'p.name',
      't.name as to_name',
      db.raw(`(select max(d.kept_at) ${inItsPlace('drafts')}) as kept_at`),
      db.raw(`(select coalesce(jsonb_agg(jsonb_build_object('at', d.kept_at, 'words', d.words) order by d.turn desc), '[]')
        ${inItsPlace('draft_versions')}) as versions`),
    );
  return rows.map((r) => ({
    id: r.id,
    person: { id: personId(r.person_id), name: r.name },
    kind: r.kind,
    parent: r.parent_id === null ? null : postId(r.parent_id),
    to: r.to_name,
    title: r.title,
    doc: r.doc,
    said: r.said,
    handedAt: instant(r.handed_at),
    keptAt: r.kept_at === null ? null : instant(r.kept_at),
    versions: r.versions.map((v) => ({ at: instant(at(v.at)), words: v.words })),
  }));
}

/** Answers a draft that was handed over: given back, or let count as of a moment, as this post. False where it was answered before. */
export async function answerHanded(
  db: Db,
  id: string,
  answer: { by: PersonId; reason: string; now: Instant; counts: { asOf: Instant; post: PostId } | null },
): Promise<boolean> {
  const answered = await db('handed_over')
    .where({ id })
    .whereNull('answered_at')
    .update({
      answered_at: timestamptz(answer.now),
      answered_by: answer.by,
      reason: answer.reason,
      as_of: answer.counts && timestamptz(answer.counts.asOf),
      post_id: answer.counts?.post ?? null,
    });
  return answered > 0;
}

/** How many drafts of each discussion of a course wait for an answer. */
export async function openHandedCounts(db: Db, course: CourseId): Promise<Map<DiscussionId, number>> {
  const rows = await db('handed_over')
    .where({ course_id: course })
    .whereNull('answered_at')
    .groupBy('discussion_id')
    .select('discussion_id')
    .count('* as n');
  return new Map(rows.map((r) => [r.discussion_id as DiscussionId, Number(r.n)]));
}

export type HandedOwn = {
  kind: PostKind;
  handedAt: Instant;
  answered: 'not-yet' | 'counted' | 'given-back';
  asOf: Instant | null;
  reason: string;
};

/** What became of the drafts a person handed over in a discussion, the newest first. */
export const ownHanded = (db: Db, person: PersonId, discussion: DiscussionId): Ask<HandedOwn[]> => ({
  query: db('handed_over')
    .where({ person_id: person, discussion_id: discussion })
    .orderBy('handed_at', 'desc')
    .limit(5)
    .select('kind', 'handed_at', 'answered_at', 'as_of', 'reason'),
  read: (rows) =>
    rows.map((r) => ({
      kind: r.kind,
      handedAt: instant(at(r.handed_at)),
      answered: r.answered_at === null ? 'not-yet' : r.as_of === null ? 'given-back' : 'counted',
      asOf: r.as_of === null ? null : instant(at(r.as_of)),
      reason: r.reason,
    })),
});

/** Of a post that staff let count: as of when, who did and when, and why. */
export async function acceptanceOf(db: Db, post: PostId) {
  const row = await db('handed_over as h')
    .leftJoin('people as p', 'p.id', 'h.answered_by')
    .where('h.post_id', post)
    .first('h.as_of', 'h.answered_at', 'h.handed_at', 'h.reason', 'p.name');
  return row
    ? {
        asOf: instant(row.as_of),
        handedAt: instant(row.handed_at),
        acceptedAt: instant(row.answered_at),
        by: (row.name ?? '') as string,
        reason: row.reason as string,
      }
    : null;
}
