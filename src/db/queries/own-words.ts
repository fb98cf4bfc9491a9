import type { Knex } from 'knex';
import type { Doc } from '@/core/document/nodes';
import type { PersonId } from '@/core/ids';
import { noteWithMargins, type Margin } from '@/core/people/margins';
import type { Db } from '../connection';
import { postsOf } from './covers';
import {
  ANSWERED_COVERED,
  ANSWERED_STAFF,
  iso,
  laidOut,
  rowsOf,
  VERSIONS,
  type CourseWithSlugs,
  type PostRow,
} from './own-courses';
import { questionRooms, questionsAsDiscussions } from './own-questions';

type MarginRow = Margin & { course_id: string; week: number; made_at: number | string };

/** What a person wrote into the margins of readings. */
const marginsOf = (db: Db, person: PersonId, courses: Knex.QueryBuilder): Promise<MarginRow[]> =>
  db('margin_notes as n')
    .join('readings as r', (j) => j.on('r.course_id', 'n.course_id').andOn('r.id', 'n.reading_id'))
    .whereIn('n.course_id', courses)
    .where('n.author_id', person)
    .whereNull('n.removed_at')
    .orderBy(['r.week', 'r.position', 'n.made_at'])
    .select(
      'n.course_id',
      'r.week',
      'r.title as reading',
      db.raw(`n.anchor ->> 'exact' as passage`),
      'n.body',
      'n.made_at',
    );

type DiscussionRow = Awaited<ReturnType<typeof rowsOf>>['discussions'][number];

/** Readings stay where they are: what one wrote in their margins goes to the note beside the prompt of their week, or of the last before. */
function withMargins(discussions: DiscussionRow[], margins: readonly MarginRow[]): DiscussionRow[] {
  const beside = new Map<DiscussionRow, MarginRow[]>();
  for (const margin of margins) {
    const here = discussions.filter((d) => d.course_id === margin.course_id);
    const prompts = here.filter((d) => !d.asks);
    // Where somebody only asked, what they asked is all there is to stand beside.
    const theirs = prompts.length > 0 ? prompts : here;
    const place =
      theirs.find((d) => d.week === margin.week) ??
      theirs.filter((d) => d.week < margin.week).at(-1) ??
      theirs[0];
    if (place) beside.set(place, [...(beside.get(place) ?? []), margin]);
  }
  return discussions.map((d) => {
    const own = beside.get(d);
    return own
      ? { ...d, note: noteWithMargins(d.note ?? '', own), note_at: d.note_at ?? own.at(-1)?.made_at }
      : d;
  });
}

/** What stands where somebody else's post stood that one answered: whose it was is known here by a number alone. */
const THEIRS: Doc = {
  type: 'doc',
  content: [
    {
      type: 'paragraph',
      content: [{ type: 'text', text: 'What was said here is somebody else’s, and stayed there.' }],
    },
  ],
};

/**
 * What a person wrote in the courses of others, in the form of courses of their own: with prompts and rules, their posts and drafts, and no
 * word and no name of anybody else. Whom they answered is "Classmate 3", the same one throughout a course, so that what counts can
 * still be told.
 */
export async function ownWordsInCourses(db: Db, person: PersonId): Promise<CourseWithSlugs[]> {
  const hosted = db('enrolments as e')
    .join('courses as c', 'c.id', 'e.course_id')
    .where('e.person_id', person)
    .whereNull('c.owner_id')
    .select('c.id');
  const asked = questionRooms(db, person, hosted);
  const written = db('discussions as d')
    .whereIn('d.course_id', hosted)
    .where((q) =>
      q
        .whereIn('d.id', db('posts').where({ author_id: person }).select('discussion_id'))
        .orWhereIn('d.id', db('drafts').where({ author_id: person }).select('discussion_id')),
    )
    .select('d.id');
  const [rows, questions, margins, posts] = await Promise.all([
    rowsOf(db, person, hosted, written.clone().union(asked)),
    questionsAsDiscussions(db, person, asked),
    marginsOf(db, person, hosted),
    db('posts as p')
      .leftJoin('posts as q', 'q.id', 'p.parent_id')
      .leftJoin('enrolments as e', (j) =>
        j.on('e.course_id', 'q.course_id').andOn('e.person_id', 'q.author_id'),
      )
      .whereIn('p.discussion_id', written.clone().union(asked))
      .whereIn('p.id', postsOf(db, person))
      .orderBy('p.id')
      .select(
        'p.id',
        'p.course_id',
        'p.discussion_id',
        db.raw('null as author'),
        'p.parent_id',
        'p.shared_at',
        'p.noted_at',
        db.raw('p.withdrawn_at is not null as withdrawn, p.private_to is not null as private'),
        db.raw('true as read'),
        db.raw(VERSIONS),
        'q.author_id as answered',
        'q.thread_id as answered_thread',
        db.raw(ANSWERED_COVERED),
        db.raw(ANSWERED_STAFF),
      ) as Promise<
      (PostRow & {
        course_id: string;
        answered: string | null;
        answered_staff: boolean;
        answered_covered: boolean;
        answered_thread: string | null;
      })[]
    >,
  ]);
  const numbers = new Map<string, number>();
  const numberOf = (who: string) => {
    const known = numbers.get(who);
    if (known !== undefined) return known;
    numbers.set(who, numbers.size + 1);
    return numbers.size;
  };
  const mine = new Set(posts.map((p) => Number(p.id)));
  const answered = new Map<number, PostRow>();
  for (const p of [...posts, ...rows.drafts.map((x) => ({ ...x, shared_at: x.kept_at }))]) {
    const parent = p.parent_id === null ? null : Number(p.parent_id);
    if (parent === null || mine.has(parent) || answered.has(parent)) continue;
    // All who covered their name are the same nobody: what tells them apart is the thread each of them asked in.
    const who = p.answered_covered ? `covered ${p.answered_thread}` : `${p.course_id} ${p.answered}`;
    const called = p.answered_staff ? 'Instructor' : 'Classmate';
    answered.set(parent, {
      id: parent,
      discussion_id: p.discussion_id,
      author: { name: `${called} ${numberOf(who)}`, staff: called === 'Instructor' },
      parent_id: null,
      shared_at: p.shared_at,
      noted_at: null,
      withdrawn: false,
      private: false,
      read: true,
      versions: [{ at: iso(p.shared_at), title: '', doc: THEIRS }],
    });
  }
  const discussions = withMargins(
    [
      // What a prompt was brought in from is its instructors' own.
      ...rows.discussions.map((d) => ({ ...d, source_name: null, source_whole: null })),
      ...questions,
    ],
    margins,
  );
  return laidOut({ ...rows, discussions }, [...posts, ...answered.values()]).filter(
    (c) => c.discussions.length > 0,
  );
}
