import type { Knex } from 'knex';
import { ledger } from '@/core/counting/ledger';
import type { CheckId } from '@/core/brief/brief';
import type { LateRule } from '@/core/deadlines/late';
import type { Ledger, LedgerInput, OwnPost } from '@/core/counting/types';
import { resolveSchedule, type Schedule } from '@/core/deadlines/schedule';
import { discussionState, type DiscussionState } from '@/core/deadlines/state';
import { summarise } from '@/core/counting/summary';
import { instant, personId, postId, type Instant } from '@/core/ids';

/* What the pages ought to say, worked out from the rows of the tables alone and with nothing but the rules of core. */

export type Expected = {
  slug: string;
  title: string;
  startsOn: string;
  schedule: Schedule;
  state: DiscussionState;
  ledger: Ledger;
  unread: number;
  unreadReplies: number;
  sealed: boolean;
};

type Tables = {
  people: { id: string; name: string }[];
  enrolments: { course_id: string; person_id: string; role: string }[];
  discussions: {
    id: string;
    course_id: string;
    slug: string;
    title: string;
    week: number;
    brief: { sealed: boolean; replies: LedgerInput['rules']['replies'] };
    late: LateRule;
    grace_minutes: number;
    opens: string;
    response_due: string;
    replies_due: string;
  }[];
  courses: { id: string; time_zone: string }[];
  weeks: { course_id: string; number: number; starts_on: string }[];
  posts: {
    id: number;
    discussion_id: string;
    author_id: string;
    kind: 'response' | 'reply';
    parent_id: number | null;
    private_to: string | null;
    withdrawn_at: number | null;
    hidden_at: number | null;
  }[];
  post_versions: { post_id: number; n: number; shared_at: number; unmet: CheckId[] }[];
  drafts: {
    discussion_id: string;
    author_id: string;
    kind: 'response' | 'reply';
    parent_id: number | null;
    blank: boolean;
  }[];
  extensions: {
    discussion_id: string;
    person_id: string;
    response_due: string | null;
    replies_due: string | null;
  }[];
  excusals: { discussion_id: string; person_id: string }[];
  reading_marks: { person_id: string; post_id: number }[];
};

/** Every row of every table that counts, read whole. */
export async function readTables(db: Knex): Promise<Tables> {
  const names = [
    'people',
    'enrolments',
    'discussions',
    'courses',
    'weeks',
    'posts',
    'post_versions',
    'drafts',
    'extensions',
    'excusals',
    'reading_marks',
  ] as const;
  const rows = await Promise.all(names.map((name) => db(name).select('*')));
  return Object.fromEntries(names.map((name, i) => [name, rows[i]])) as unknown as Tables;
}

const inSight = (p: Tables['posts'][number]) => p.withdrawn_at === null && p.hidden_at === null;

/** One student's discussions as they must be at a moment. */
export function expectedFor(t: Tables, student: string, now: Instant): Expected[] {
  const courses = t.enrolments.filter((e) => e.person_id === student).map((e) => e.course_id);
  const roleIn = (course: string, person: string) =>
    String(t.enrolments.find((e) => e.course_id === course && e.person_id === person)?.role);
  return t.discussions
    .filter((d) => courses.includes(d.course_id))
    .map((d): Expected => {
      const zone = t.courses.find((c) => c.id === d.course_id)?.time_zone ?? 'UTC';
      const week = t.weeks.find((w) => w.course_id === d.course_id && w.number === d.week);
      const of = <T extends { discussion_id: string; person_id: string }>(rows: T[]) =>
        rows.find((x) => x.discussion_id === d.id && x.person_id === student);
      const extension = of(t.extensions);
      const { brief } = d;
      const schedule = resolveSchedule({
        zone,
        late: d.late,
        graceMinutes: d.grace_minutes,
        opens: d.opens,
        responseDue: d.response_due,
        repliesDue: d.replies_due,
        extensions: { response: extension?.response_due, replies: extension?.replies_due },
      });
      const posts = t.posts.filter((p) => p.discussion_id === d.id);
      const byId = new Map(posts.map((p) => [p.id, p]));
      const answered = (parent: number | null) => {
        const post = parent === null ? undefined : byId.get(parent);
        return post
          ? { person: personId(post.author_id), staff: roleIn(d.course_id, post.author_id) !== 'student' }
          : null;
      };
      const own = posts
        .filter((p) => p.author_id === student)
        .map((p): OwnPost => ({
          id: postId(p.id),
          kind: p.kind,
          to: answered(p.parent_id),
          private: p.private_to !== null,
          withdrawn: p.withdrawn_at !== null,
          hidden: p.hidden_at !== null,
          versions: t.post_versions
            .filter((v) => v.post_id === p.id)
            .sort((a, b) => a.n - b.n)
            .map((v) => ({ at: instant(v.shared_at), unmet: v.unmet })),
        }));
      const account = ledger({
        student: personId(student),
        rules: { replies: brief.replies, sealed: brief.sealed },
        schedule,
        posts: own,
        begun: t.drafts
          .filter((x) => x.discussion_id === d.id && x.author_id === student && !x.blank)
          .map((x) => ({ kind: x.kind, to: answered(x.parent_id) })),
        excused: of(t.excusals) !== undefined,
        now,
      });
      const marks = new Set(t.reading_marks.filter((m) => m.person_id === student).map((m) => m.post_id));
      const others = posts.filter(
        (p) =>
          p.author_id !== student &&
          inSight(p) &&
          (p.private_to === null || p.private_to === student) &&
          !marks.has(p.id),
      );
      const s = summarise(account, now);
      return {
        slug: d.slug,
        title: d.title,
        startsOn: week?.starts_on ?? '',
        schedule,
        state: discussionState(schedule, now, { response: s.owedResponse, replies: s.owedReplies > 0 }),
        ledger: account,
        unread: others.length,
        unreadReplies: others.filter((p) => byId.get(p.parent_id ?? 0)?.author_id === student).length,
        sealed: brief.sealed && !own.some((p) => p.kind === 'response') && now < schedule.closes,
      };
    })
    .sort((a, b) => a.slug.localeCompare(b.slug));
}
