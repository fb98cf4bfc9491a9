import { instant, type Instant, type PersonId } from '@/core/ids';
import type { Doc } from '@/core/document/nodes';
import { at } from '../ask';
import type { Db } from '../connection';
import { postsOf } from './covers';

export type ArchivedVersion = { at: Instant; title: string; doc: Doc };
export type ArchivedPost = {
  id: number;
  kind: 'response' | 'reply';
  course: string;
  discussion: string;
  answers: number | null;
  sharedAt: Instant;
  withdrawn: boolean;
  versions: ArchivedVersion[];
};
export type ArchivedDraft = { course: string; discussion: string; kind: string; title: string; doc: Doc };
export type ArchivedFile = { id: string; name: string; sha256: string };

/** Everything a person shared, with every version, oldest first. */
export async function archivedPosts(db: Db, person: PersonId): Promise<ArchivedPost[]> {
  const rows = await db('posts as p')
    .join('rooms as d', 'd.id', 'p.discussion_id')
    .join('courses as c', 'c.id', 'p.course_id')
    .whereIn('p.id', postsOf(db, person))
    .orderBy('p.id')
    .select(
      'p.id',
      'p.kind',
      'c.code',
      'd.title',
      'p.parent_id',
      'p.shared_at',
      db.raw('p.withdrawn_at is not null as withdrawn'),
      db.raw(
        `(select json_agg(json_build_object('at', v.shared_at, 'title', v.title, 'doc', v.doc) order by v.n)
          from post_versions v where v.post_id = p.id) as versions`,
      ),
    );
  return rows.map((r) => ({
    id: Number(r.id),
    kind: r.kind,
    course: r.code,
    discussion: r.title,
    answers: r.parent_id === null ? null : Number(r.parent_id),
    sharedAt: instant(r.shared_at),
    withdrawn: r.withdrawn,
    versions: (r.versions as { at: string; title: string; doc: Doc }[]).map((v) => ({
      at: instant(at(v.at)),
      title: v.title,
      doc: v.doc,
    })),
  }));
}

export async function archivedDrafts(db: Db, person: PersonId): Promise<ArchivedDraft[]> {
  const rows = await db('drafts as x')
    .join('rooms as d', 'd.id', 'x.discussion_id')
    .join('courses as c', 'c.id', 'd.course_id')
    .where('x.author_id', person)
    .orderBy('x.kept_at')
    .select('c.code', 'd.title as discussion', 'x.kind', 'x.title', 'x.doc');
  return rows.map((r) => ({
    course: r.code,
    discussion: r.discussion,
    kind: r.kind,
    title: r.title,
    doc: r.doc,
  }));
}

/** Notes in margins, notes to oneself, the shelf of sources, and marks, each as rows that say where they belong. */
export async function archivedRest(db: Db, person: PersonId) {
  const [notes, self, sources, marks] = await Promise.all([
    db('margin_notes as n')
      .join('readings as r', 'r.id', 'n.reading_id')
      .where({ 'n.author_id': person })
      .whereNull('n.removed_at')
      .orderBy('n.made_at')
      .select('r.title as reading', 'n.audience', 'n.anchor', 'n.body'),
    db('notes_to_self as n')
      // What one notes of a whole course stands with the room of its questions.
      .join('rooms as d', 'd.id', 'n.discussion_id')
      .join('courses as c', 'c.id', 'd.course_id')
      .where({ 'n.person_id': person })
      .select('c.code as course', 'd.title as discussion', 'n.body'),
    db('sources as s')
      .join('courses as c', 'c.id', 's.course_id')
      .where({ 's.person_id': person })
      .orderBy('s.added_at')
      .select('c.code as course', 's.item'),
    db('marks as m')
      .join('discussions as d', 'd.id', 'm.discussion_id')
      .where({ 'm.person_id': person })
      .select(
        'd.title as discussion',
        'm.levels',
        'm.points',
        'm.verdict',
        'm.comment',
        'm.more',
        'm.comments',
      ),
  ]);
  return { notes, self, sources, marks };
}

/** What a person did among the questions of their courses beside writing, and how they want to hear of things. */
export async function archivedChoices(db: Db, person: PersonId) {
  const [hands, slots, saved, [rules], devices] = await Promise.all([
    db('raised as r')
      .join('questions as q', 'q.post_id', 'r.post_id')
      .join('hands as h', 'h.post_id', 'r.post_id')
      .join('courses as c', 'c.id', 'r.course_id')
      .where('r.person_id', person)
      .orderBy('r.at')
      .select('c.code as course', 'q.number as question', db.raw('h.choices ->> r.choice as choice')),
    db('meeting_slots as s')
      .join('questions as q', 'q.post_id', 's.post_id')
      .join('meetings as m', 'm.post_id', 's.post_id')
      .join('courses as c', 'c.id', 's.course_id')
      .where('s.person_id', person)
      .orderBy('m.starts_at')
      .select('c.code as course', 'q.number as question', 'm.starts_at as hour', 'm.place', 's.n as slot'),
    db('saved_answers').where({ person_id: person }).orderBy('saved_at').select('title', 'doc'),
    db('notice_rules').where({ person_id: person }).select('rules'),
    // Their addresses are keys: only that there are some is said.
    db('push_devices').where({ person_id: person }).orderBy('made_at').select('made_at as since'),
  ]);
  return { hands, slots, saved, notices: rules?.rules ?? null, devices };
}

/** The files a person brought that are all here. */
export async function archivedFiles(db: Db, person: PersonId): Promise<ArchivedFile[]> {
  return db('files')
    .where({ owner_id: person })
    .whereNotNull('sha256')
    .orderBy('began_at')
    .select('id', 'name', 'sha256');
}
