import type { Rubric } from '@/core/rubric/rubric';
import type { Knex } from 'knex';
import type { OwnCourse, OwnCourses, OwnDiscussion } from '@/core/people/own-courses';
import type { Brief } from '@/core/brief/brief';
import type { LateRule } from '@/core/deadlines/late';
import type { Doc } from '@/core/document/nodes';
import { discussionId, type DiscussionId, type PersonId } from '@/core/ids';
import { at } from '../ask';
import type { Db } from '../connection';

export const iso = (value: number | string) => new Date(at(value)).toISOString();
const wall = (value: string) => value.slice(0, 16).replace(' ', 'T');

export type PostRow = {
  id: number;
  discussion_id: string;
  author: { name: string; staff: boolean } | null;
  parent_id: number | null;
  shared_at: number | string;
  noted_at: number | string | null;
  withdrawn: boolean;
  private: boolean;
  read: boolean;
  versions: { at: string; title: string; doc: Doc }[];
};

export const VERSIONS = `(select json_agg(json_build_object('at', v.shared_at, 'title', v.title, 'doc', v.doc) order by v.n)
  from post_versions v where v.post_id = p.id) as versions`;

/** Whether who was answered teaches there. */
export const ANSWERED_STAFF = `coalesce(e.role <> 'student', false) as answered_staff`;

/** Whether who was answered had covered their name: others answer in such a thread under theirs. */
export const ANSWERED_COVERED = `coalesce(q.author_id = (select nobody from courses where id = q.course_id), false) as answered_covered`;

/** The rows of courses and their discussions, with what the person wrote there that is nobody's else. */
export async function rowsOf(
  db: Db,
  person: PersonId,
  courseIds: Knex.QueryBuilder,
  discussions: Knex.QueryBuilder,
) {
  const [courses, rows, drafts, sources] = await Promise.all([
    db('courses').whereIn('id', courseIds).orderBy('code').select('id', 'code', 'title', 'time_zone'),
    db('discussions as d')
      .join('weeks as w', (j) => j.on('w.course_id', 'd.course_id').andOn('w.number', 'd.week'))
      .leftJoin('extensions as x', (j) =>
        j.on('x.discussion_id', 'd.id').andOn('x.person_id', db.raw('?', [person])),
      )
      .leftJoin('prompt_sources as s', 's.discussion_id', 'd.id')
      .leftJoin('notes_to_self as n', (j) =>
        j.on('n.discussion_id', 'd.id').andOn('n.person_id', db.raw('?', [person])),
      )
      .whereIn('d.id', discussions)
      .orderBy(['d.response_due', 'd.slug'])
      .select(
        'd.*',
        db.raw('coalesce(x.response_due, d.response_due) as response_due'),
        db.raw('coalesce(x.replies_due, d.replies_due) as replies_due'),
        db.raw(`to_char(w.starts_on, 'YYYY-MM-DD') as starts_on`),
        's.name as source_name',
        's.whole as source_whole',
        'n.body as note',
        'n.kept_at as note_at',
      ),
    db('drafts as x')
      .leftJoin('posts as q', 'q.id', 'x.parent_id')
      .leftJoin('enrolments as e', (j) =>
        j.on('e.course_id', 'q.course_id').andOn('e.person_id', 'q.author_id'),
      )
      .whereIn('x.discussion_id', discussions)
      .where('x.author_id', person)
      .whereNull('x.edits')
      .orderBy('x.kept_at')
      .select(
        'x.course_id',
        'x.discussion_id',
        'x.parent_id',
        'x.title',
        'x.doc',
        'x.kept_at',
        'q.author_id as answered',
        'q.thread_id as answered_thread',
        db.raw(ANSWERED_COVERED),
        db.raw(ANSWERED_STAFF),
      ),
    db('sources')
      .whereIn('course_id', courseIds)
      .where({ person_id: person })
      .orderBy(['added_at', 'id'])
      .select('course_id', 'item'),
  ]);
  return { courses, discussions: rows, drafts, sources };
}

/** The courses that a person keeps for themselves, with everything in them: in five questions, however many they are. */
export async function ownCourses(db: Db, owner: PersonId): Promise<OwnCourses> {
  const mine = db('courses').where({ owner_id: owner }).select('id');
  const [rows, posts] = await Promise.all([
    rowsOf(db, owner, mine, db('discussions').whereIn('course_id', mine).select('id')),
    db('posts as p')
      .join('people as a', 'a.id', 'p.author_id')
      .join('enrolments as e', (j) => j.on('e.course_id', 'p.course_id').andOn('e.person_id', 'p.author_id'))
      .leftJoin('reads as r', (j) => j.on('r.post_id', 'p.id').andOn('r.person_id', db.raw('?', [owner])))
      .whereIn('p.course_id', mine)
      .orderBy('p.id')
      .select(
        'p.id',
        'p.discussion_id',
        db.raw(
          `case when p.author_id = ? then null
                else json_build_object('name', a.name, 'staff', e.role <> 'student') end as author`,
          [owner],
        ),
        'p.parent_id',
        'p.shared_at',
        'p.noted_at',
        db.raw('p.withdrawn_at is not null as withdrawn, p.private_to is not null as private'),
        db.raw('r.post_id is not null as read'),
        db.raw(VERSIONS),
      ) as Promise<PostRow[]>,
  ]);
  return { format: 'pulpit own courses', version: 1, courses: laidOut(rows, posts).map(withoutSlugs) };
}

export type CourseWithSlugs = Omit<OwnCourse, 'discussions'> & {
  /** `asks`: what somebody asked and answered there, which is no discussion at home. */
  discussions: (OwnDiscussion & { id: DiscussionId; slug: string; asks: boolean })[];
};

export const withoutSlugs = ({ discussions, ...course }: CourseWithSlugs): OwnCourse => ({
  ...course,
  discussions: discussions.map(({ id: _, slug: __, asks: ___, ...d }) => d),
});

export function laidOut(
  { courses, discussions, drafts, sources }: Awaited<ReturnType<typeof rowsOf>>,
  posts: PostRow[],
): CourseWithSlugs[] {
  return courses.map((c) => ({
    code: c.code as string,
    title: c.title as string,
    zone: c.time_zone as string,
    sources: sources.filter((s) => s.course_id === c.id).map((s) => s.item),
    discussions: discussions
      .filter((d) => d.course_id === c.id)
      .map((d) => ({
        id: discussionId(d.id),
        slug: d.slug as string,
        asks: d.asks === true,
        title: d.title as string,
        week: { number: d.week as number, startsOn: d.starts_on as string },
        opens: wall(d.opens),
        responseDue: wall(d.response_due),
        repliesDue: wall(d.replies_due),
        late: d.late as LateRule,
        brief: d.brief as Brief,
        prompt: d.prompt as Doc,
        ...(d.rubric === null ? {} : { rubric: d.rubric as Rubric }),
        source:
          d.source_name === null ? null : { name: d.source_name as string, whole: d.source_whole as string },
        note: d.note === null ? null : { body: d.note as string, keptAt: iso(d.note_at) },
        posts: posts
          .filter((p) => p.discussion_id === d.id)
          .map((p) => ({
            n: Number(p.id),
            author: p.author,
            answers: p.parent_id === null ? null : Number(p.parent_id),
            sharedAt: iso(p.shared_at),
            notedAt: p.noted_at === null ? null : iso(p.noted_at),
            withdrawn: p.withdrawn,
            ...(p.private ? { private: true as const } : {}),
            read: p.read,
            versions: p.versions.map((v) => ({ at: iso(v.at), title: v.title, doc: v.doc })),
          })),
        drafts: drafts
          .filter((x) => x.discussion_id === d.id)
          .map((x) => ({
            answers: x.parent_id === null ? null : Number(x.parent_id),
            title: x.title as string,
            doc: x.doc as Doc,
            keptAt: iso(x.kept_at),
          })),
      })),
  }));
}
