import { HEADLINE, likeText, type Query } from './query';
import { personId, type CourseId, type DiscussionId, type PersonId, type Role } from '@/core/ids';
import { type Db } from '../../connection';

/** Readings of the courses named, and the prompts named, that match, with a passage. Which prompts are shown to a reader the caller knows. */
export async function findTexts(
  db: Db,
  { courses, prompts }: { courses: CourseId[]; prompts: DiscussionId[] },
  query: Query,
  limit: number,
): Promise<
  { kind: 'discussion' | 'reading'; slug: string; title: string; course: CourseId; passage: string }[]
> {
  if (courses.length === 0) return [];
  const texts = (kind: string, table: string, plain: string, among: readonly [string, readonly string[]]) =>
    db(table)
      .whereIn(...among)
      .whereRaw(`found @@ ${query.sql}`, query.bindings)
      .select(
        db.raw(`'${kind}' as kind`),
        'slug',
        'title',
        'course_id',
        db.raw(`${plain} as plain`),
        db.raw(`ts_rank_cd(found, ${query.sql}) as rank`, query.bindings),
      )
      .orderBy('rank', 'desc')
      .limit(limit);
  const rows = await db
    .with('f', (q) => {
      q.unionAll(
        [
          texts('discussion', 'discussions', 'prompt_plain', ['id', prompts]),
          texts('reading', 'readings', 'plain', ['course_id', courses]),
        ],
        true,
      );
    })
    .from('f')
    .orderBy('rank', 'desc')
    .select(
      'kind',
      'slug',
      'title',
      'course_id',
      db.raw(`ts_headline('english', plain, ${query.sql}, ?) as passage`, [...query.bindings, HEADLINE]),
    );
  return rows.map((r) => ({
    kind: r.kind,
    slug: r.slug,
    title: r.title,
    course: r.course_id,
    passage: r.passage,
  }));
}

/** People of the courses named whose name holds the text, or nearly does. */
export async function findPeople(
  db: Db,
  courses: CourseId[],
  text: string,
  limit: number,
): Promise<{ id: PersonId; name: string; role: Role; course: CourseId }[]> {
  if (courses.length === 0) return [];
  const rows = await db('enrolments as e')
    .join('people as p', 'p.id', 'e.person_id')
    .whereIn('e.course_id', courses)
    .whereNull('p.former_since')
    .where((w) =>
      w
        .whereRaw('p.name ilike ?', [`%${likeText(text)}%`])
        .orWhereRaw('word_similarity(?, p.name) > 0.55', [text]),
    )
    .groupBy('p.id', 'p.name')
    .orderByRaw('word_similarity(?, p.name) desc, p.name', [text])
    .limit(limit)
    .select(
      'p.id',
      'p.name',
      db.raw('min(e.role::text) as role'),
      db.raw('(array_agg(e.course_id order by e.course_id))[1] as course_id'),
    );
  return rows.map((r) => ({ id: personId(r.id), name: r.name, role: r.role, course: r.course_id }));
}
