import type { CourseId, DiscussionId } from '@/core/ids';
import type { Db } from '../connection';

export type DiscussionNeeds = {
  /** Posts that are reported and not settled. */
  reports: number;
  /** Students of whom no response stands, and who are not excused. */
  silent: number;
  /** Responses that stand and have no reply that stands. */
  unanswered: number;
  /** Students who shared something that can be marked, and of whose mark nothing is written. */
  unmarked: number;
  /** Second readings that are asked for and not begun. */
  second: number;
  /** Students who asked something about their mark that nobody has answered. */
  asked: number;
  /** Parts that were done again and given back, of whose mark nothing was written since. */
  back: number;
};

/** What waits for the staff in each discussion of a course. */
export async function deskNeeds(db: Db, course: CourseId): Promise<Map<DiscussionId, DiscussionNeeds>> {
  const { rows } = await db.raw(
    `select d.id,
       (select count(distinct r.post_id) from reports r
        where r.course_id = d.course_id and r.discussion_id = d.id and r.settled_at is null) as reports,
       (select count(*) from enrolments e join people p on p.id = e.person_id
        where e.course_id = d.course_id and e.role = 'student' and p.former_since is null
          and coalesce((d.brief #>> '{response,asked}')::boolean, true)
          and not exists (select 1 from excusals x
            where x.course_id = d.course_id and x.discussion_id = d.id and x.person_id = e.person_id)
          and not exists (select 1 from posts s
            where s.course_id = d.course_id and s.discussion_id = d.id and s.author_id = e.person_id
              and s.kind = 'response' and s.withdrawn_at is null and s.hidden_at is null)) as silent,
       (select count(*) from posts s
        where s.course_id = d.course_id and s.discussion_id = d.id and s.kind = 'response'
          and s.withdrawn_at is null and s.hidden_at is null
          and not exists (select 1 from posts q
            where q.thread_id = s.id and q.id <> s.id and q.withdrawn_at is null and q.hidden_at is null)) as unanswered,
       (select count(distinct s.author_id) from posts s
        join enrolments e on e.course_id = s.course_id and e.person_id = s.author_id and e.role = 'student'
        join people p on p.id = e.person_id and p.former_since is null
        where s.course_id = d.course_id and s.discussion_id = d.id and s.withdrawn_at is null
          and (d.rubric is not null or d.brief \\? 'points' or d.marked_by is not null)
          and not exists (select 1 from marking m
            where m.course_id = d.course_id and m.discussion_id = d.id and m.person_id = s.author_id)) as unmarked,
       (select count(*) from second_readings s
        where s.course_id = d.course_id and s.discussion_id = d.id and s.mark is null) as second,
       (select count(*) from mark_asks a
        where a.course_id = d.course_id and a.discussion_id = d.id) as asked,
       (select count(*) from parts_given_back b
        join marks r on r.course_id = b.course_id and r.discussion_id = b.discussion_id
          and r.person_id = b.person_id and r.n = b.n
        join marking m on m.course_id = b.course_id and m.discussion_id = b.discussion_id and m.person_id = b.person_id
        where b.course_id = d.course_id and b.discussion_id = d.id and m.written_at <= b.given_at) as back
     from discussions d where d.course_id = ?`,
    [course],
  );
  return new Map(
    rows.map((r: Record<string, string>) => [
      r.id as DiscussionId,
      {
        reports: Number(r.reports),
        silent: Number(r.silent),
        unanswered: Number(r.unanswered),
        unmarked: Number(r.unmarked),
        second: Number(r.second),
        asked: Number(r.asked),
        back: Number(r.back),
      },
    ]),
  );
}
