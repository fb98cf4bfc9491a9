import type { Side } from '@/core/brief/brief';
import type { CheckFigure } from '@/core/checks/types';
import type { DraftNow } from '@/core/drafts/window';
import type { Addressed, PostKind } from '@/core/counting/types';
import {
  discussionId,
  instant,
  isStaff,
  personId,
  postId,
  type CourseId,
  type DiscussionId,
  type Instant,
  type PersonId,
  type PostId,
} from '@/core/ids';
import type { Doc } from '@/core/document/nodes';
import type { Ask } from '../ask';
import { timestamptz, type Db } from '../connection';
import { docColumns } from './doc-columns';

/** The place of a draft. `edits` names the shared post that it is a change of; most are of none. */
export type DraftKey = {
  author: PersonId;
  discussion: DiscussionId;
  kind: PostKind;
  parent: PostId | null;
  edits?: PostId | null;
};

export type DraftRecord = {
  id: string;
  submission: string;
  revision: number;
  title: string;
  doc: Doc;
  /** All its words, quoted ones among them. */
  words: number;
  keptAt: Instant;
  /** Of a reply: the version of the answered post on which it was begun. */
  answeredN: number | null;
  /** The page that kept it last, where one said which it is. */
  by: DraftNow['by'];
};

const where = (key: DraftKey) => ({
  author_id: key.author,
  discussion_id: key.discussion,
  kind: key.kind,
  parent_id: key.parent,
  edits: key.edits ?? null,
});

export async function draftFor(db: Db, key: DraftKey, lock = false): Promise<DraftRecord | null> {
  const row = await db('drafts')
    .where(where(key))
    .modify((q) => {
      if (lock) q.forUpdate();
    })
    .first('id', 'submission', 'revision', 'title', 'doc', 'words', 'kept_at', 'answered_n', 'kept_by');
  return row
    ? {
        id: row.id,
        submission: row.submission,
        revision: row.revision,
        title: row.title,
        doc: row.doc,
        words: row.words,
        keptAt: instant(row.kept_at),
        answeredN: row.answered_n,
        by: row.kept_by,
      }
    : null;
}

export type DraftText = {
  title: string;
  doc: Doc;
  words: number;
  blank: boolean;
  checks: CheckFigure[];
  keptAt: Instant;
  /** The page it is kept by, and which of its keeps this is; none where that is not known. */
  by: { id: string; nth: number } | null;
};

const textColumns = (text: DraftText, revision: number) => ({
  revision,
  kept_by: text.by && JSON.stringify({ ...text.by, revision }),
  title: text.title,
  ...docColumns(text.doc),
  words: text.words,
  blank: text.blank,
  checks: JSON.stringify(text.checks),
  kept_at: timestamptz(text.keptAt),
});

/** Begins a draft unless one is there; says whether this call began it. */
export async function insertDraft(
  db: Db,
  key: DraftKey & { course: CourseId },
  ids: { id: string; submission: string; answeredN: number | null },
  text: DraftText,
): Promise<boolean> {
  const { answeredN, ...own } = ids;
  const rows = await db('drafts')
    .insert({
      ...where(key),
      ...own,
      answered_n: answeredN,
      course_id: key.course,
      ...textColumns(text, 1),
    })
    .onConflict()
    .ignore()
    .returning('id');
  return rows.length === 1;
}

export async function updateDraft(db: Db, id: string, revision: number, text: DraftText) {
  await db('drafts').where({ id }).update(textColumns(text, revision));
}

export async function deleteDraft(db: Db, key: DraftKey) {
  await db('drafts').where(where(key)).delete();
}

/** What a person has begun and not shared: whom each draft answers, and how it stands to the brief. */
export type BegunRecord = {
  discussion: DiscussionId;
  kind: PostKind;
  parent: PostId | null;
  to: Addressed | null;
  checks: CheckFigure[];
};

/** A person's drafts that hold something. */
export const draftsOf = (db: Db, person: PersonId, discussions?: DiscussionId[]): Ask<BegunRecord[]> => ({
  query: db('drafts as d')
    .leftJoin('posts as q', 'q.id', 'd.parent_id')
    .leftJoin('enrolments as e', (j) =>
      j.on('e.course_id', 'q.course_id').andOn('e.person_id', 'q.author_id'),
    )
    .leftJoin('parts_played as pp', (j) =>
      j
        .on('pp.course_id', 'q.course_id')
        .andOn('pp.discussion_id', 'q.discussion_id')
        .andOn('pp.person_id', 'q.author_id'),
    )
    .where('d.author_id', person)
    .where('d.blank', false)
    // A change to what was shared owes nothing.
    .whereNull('d.edits')
    .modify((q) => {
      if (discussions) q.whereIn('d.discussion_id', discussions);
    })
    .orderBy('d.kept_at')
    .select('d.discussion_id', 'd.kind', 'd.parent_id', 'd.checks', 'q.author_id', 'e.role', 'pp.side'),
  read: (rows) =>
    rows.map((r) => ({
      discussion: discussionId(r.discussion_id),
      kind: r.kind,
      parent: r.parent_id === null ? null : postId(r.parent_id),
      to:
        r.author_id === null || r.role === null
          ? null
          : { person: personId(r.author_id), staff: isStaff(r.role), side: r.side as Side | null },
      checks: r.checks,
    })),
});
