import type { Brief } from '@/core/brief/brief';
import { ledger } from '@/core/counting/ledger';
import { summarise } from '@/core/counting/summary';
import type { Ledger, OwnPost } from '@/core/counting/types';
import { resolveSchedule, type Schedule } from '@/core/deadlines/schedule';
import { discussionState, type DiscussionState } from '@/core/deadlines/state';
import { courseSlug, instant, personId, postId, type Instant } from '@/core/ids';
import type { Tables } from './tables';

/* What the pages ought to say, worked out from the rows of the tables alone and with nothing but the rules of core. */

type Post = Tables['posts'][number];

export type ExpectedThread = {
  id: number;
  replies: number;
  unread: number;
  mine: boolean;
  answered: boolean;
};

export type Expected = {
  slug: string;
  title: string;
  course: { id: string; code: string; slug: string };
  week: number;
  brief: Brief;
  schedule: Schedule;
  state: DiscussionState;
  ledger: Ledger;
  unread: number;
  unreadReplies: number;
  sealed: boolean;
  /** Responses in sight, one's own among them. */
  responses: number;
  /** Those of classmates. */
  others: number;
  threads: ExpectedThread[];
  /** Own words of each post of the student's own, in the order of sharing, the latest version of each. */
  shared: { id: number; words: number; counted: boolean }[];
  draftWords: number;
};

const inSight = (p: Post) => p.withdrawn_at === null && p.hidden_at === null;

/** The response a post stands under; null when a post on the way up is withheld from the student. */
function rootOf(post: Post, open: Map<number, Post>): Post | null {
  if (post.parent_id === null) return post;
  const parent = open.get(post.parent_id);
  return parent ? rootOf(parent, open) : null;
}

function threadsOf(posts: Post[], student: string, read: Set<number>): ExpectedThread[] {
  const may = (p: Post) => p.private_to === null || p.private_to === student || p.author_id === student;
  const open = new Map(posts.filter(may).map((p) => [p.id, p]));
  const under = (root: Post) => [...open.values()].filter((p) => rootOf(p, open) === root);
  return [...open.values()]
    .filter((p) => p.parent_id === null)
    .map((root) => {
      const replies = under(root).filter((p) => p !== root && inSight(p));
      const strange = [root, ...replies].filter((p) => p.author_id !== student && inSight(p));
      return {
        id: root.id,
        replies: replies.length,
        unread: strange.filter((p) => !read.has(p.id)).length,
        mine: root.author_id === student,
        answered: replies.some((p) => p.author_id === student),
      };
    });
}

/** One student's discussions as they must be at a moment. */
export function expectedFor(t: Tables, student: string, now: Instant): Expected[] {
  const courses = t.enrolments.filter((e) => e.person_id === student).map((e) => e.course_id);
  const roleIn = (course: string, person: string) =>
    String(t.enrolments.find((e) => e.course_id === course && e.person_id === person)?.role);
  const marks = new Set(t.reads.filter((m) => m.person_id === student).map((m) => m.post_id));
  return t.discussions
    .filter((d) => d.shown && courses.includes(d.course_id))
    .map((d): Expected => {
      const course = t.courses.find((c) => c.id === d.course_id);
      if (!course) throw new Error(`${d.slug} has no course`);
      const of = <T extends { discussion_id: string; person_id: string }>(rows: T[]) =>
        rows.find((x) => x.discussion_id === d.id && x.person_id === student);
      const extension = of(t.extensions);
      const { brief } = d;
      const schedule = resolveSchedule({
        zone: course.time_zone,
        late: d.late,
        graceMinutes: d.grace_minutes,
        opens: d.opens,
        responseDue: d.response_due,
        repliesDue: d.replies_due,
        extensions: { response: extension?.response_due, replies: extension?.replies_due },
        moreHours: t.accommodations.find((a) => a.course_id === d.course_id && a.person_id === student)
          ?.hours,
      });
      const posts = t.posts.filter((p) => p.discussion_id === d.id);
      const byId = new Map(posts.map((p) => [p.id, p]));
      const answered = (parent: number | null) => {
        const post = parent === null ? undefined : byId.get(parent);
        return post
          ? { person: personId(post.author_id), staff: roleIn(d.course_id, post.author_id) !== 'student' }
          : null;
      };
      const versions = (post: number) =>
        t.post_versions.filter((v) => v.post_id === post).sort((a, b) => a.n - b.n);
      const mine = posts.filter((p) => p.author_id === student);
      const own = mine.map((p): OwnPost => ({
        id: postId(p.id),
        kind: p.kind,
        to: answered(p.parent_id),
        private: p.private_to !== null,
        withdrawn: p.withdrawn_at !== null,
        hidden: p.hidden_at !== null,
        versions: versions(p.id).map((v) => ({ at: instant(v.shared_at), unmet: v.unmet })),
      }));
      const drafts = t.drafts.filter((x) => x.discussion_id === d.id && x.author_id === student && !x.blank);
      const account = ledger({
        student: personId(student),
        rules: { replies: brief.replies, sealed: brief.sealed },
        schedule,
        posts: own,
        begun: drafts.map((x) => ({ kind: x.kind, to: answered(x.parent_id) })),
        excused: of(t.excusals) !== undefined,
        now,
      });
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
        course: { id: course.id, code: course.code, slug: courseSlug(course.code) },
        week: d.week,
        brief,
        schedule,
        state: discussionState(schedule, now, { response: s.owedResponse, replies: s.owedReplies > 0 }),
        ledger: account,
        unread: others.length,
        unreadReplies: others.filter((p) => byId.get(p.parent_id ?? 0)?.author_id === student).length,
        sealed:
          brief.sealed &&
          now < schedule.closes &&
          !own.some(
            (p) =>
              p.kind === 'response' &&
              !p.withdrawn &&
              (now >= schedule.response.due || p.versions.some((v) => v.unmet.length === 0)),
          ),
        responses: posts.filter((p) => p.kind === 'response' && inSight(p)).length,
        others: posts.filter((p) => p.kind === 'response' && inSight(p) && p.author_id !== student).length,
        threads: threadsOf(posts, student, marks),
        shared: mine.map((p) => ({
          id: p.id,
          words: versions(p.id).at(-1)?.own_words ?? 0,
          counted: account.verdicts.some((v) => v.post === p.id && v.counted),
        })),
        draftWords:
          drafts.find((x) => x.kind === 'response')?.checks.find((c) => c.id === 'words')?.have ?? 0,
      };
    })
    .sort((a, b) => a.slug.localeCompare(b.slug));
}
