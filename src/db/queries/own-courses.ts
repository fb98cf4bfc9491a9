import type { OwnCourses } from '@/core/people/own-courses';
import type { Brief } from '@/core/brief/brief';
import type { LateRule } from '@/core/deadlines/late';
import type { Doc } from '@/core/document/nodes';
import type { PersonId } from '@/core/ids';
import { at } from '../ask';
import type { Db } from '../connection';

const iso = (value: number | string) => new Date(at(value)).toISOString();
const wall = (value: string) => value.slice(0, 16).replace(' ', 'T');

type PostRow = {
  id: number;
  discussion_id: string;
  author: { name: string; staff: boolean } | null;
  parent_id: number | null;
  shared_at: number | string;
  noted_at: number | string | null;
  withdrawn: boolean;
  read: boolean;
  versions: { at: string; title: string; doc: Doc }[];
};

/** The courses that a person keeps for themselves, with everything in them: in five questions, however many they are. */
export async function ownCourses(db: Db, owner: PersonId): Promise<OwnCourses> {
  const mine = db('courses').where({ owner_id: owner }).select('id');
  const [courses, discussions, posts, drafts, sources] = await Promise.all([
    db('courses').where({ owner_id: owner }).orderBy('code').select('id', 'code', 'title', 'time_zone'),
    db('discussions as d')
      .join('weeks as w', (j) => j.on('w.course_id', 'd.course_id').andOn('w.number', 'd.week'))
      .leftJoin('prompt_sources as s', 's.discussion_id', 'd.id')
      .leftJoin('notes_to_self as n', (j) =>
        j.on('n.discussion_id', 'd.id').andOn('n.person_id', db.raw('?', [owner])),
      )
      .whereIn('d.course_id', mine)
      .orderBy(['d.response_due', 'd.slug'])
      .select(
        'd.*',
        db.raw(`to_char(w.starts_on, 'YYYY-MM-DD') as starts_on`),
        's.name as source_name',
        's.whole as source_whole',
        'n.body as note',
        'n.kept_at as note_at',
      ),
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
        db.raw('p.withdrawn_at is not null as withdrawn'),
        db.raw('r.post_id is not null as read'),
        db.raw(
          `(select json_agg(json_build_object('at', v.shared_at, 'title', v.title, 'doc', v.doc) order by v.n)
            from post_versions v where v.post_id = p.id) as versions`,
        ),
      ) as Promise<PostRow[]>,
    db('drafts')
      .whereIn('course_id', mine)
      .where({ author_id: owner })
      .whereNull('edits')
      .orderBy('kept_at')
      .select('discussion_id', 'parent_id', 'title', 'doc', 'kept_at'),
    db('sources')
      .whereIn('course_id', mine)
      .where({ person_id: owner })
      .orderBy(['added_at', 'id'])
      .select('course_id', 'item'),
  ]);
  return {
    format: 'pulpit own courses',
    version: 1,
    courses: courses.map((c) => ({
      code: c.code as string,
      title: c.title as string,
      zone: c.time_zone as string,
      sources: sources.filter((s) => s.course_id === c.id).map((s) => s.item),
      discussions: discussions
        .filter((d) => d.course_id === c.id)
        .map((d) => ({
          title: d.title as string,
          week: { number: d.week as number, startsOn: d.starts_on as string },
          opens: wall(d.opens),
          responseDue: wall(d.response_due),
          repliesDue: wall(d.replies_due),
          late: d.late as LateRule,
          brief: d.brief as Brief,
          prompt: d.prompt as Doc,
          source:
            d.source_name === null
              ? null
              : { name: d.source_name as string, whole: d.source_whole as string },
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
    })),
  };
}
