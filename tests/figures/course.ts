import type { WeekGoes } from '@/contract/rhythm';
import type { Wrong } from './compare';
import type { Expected } from './discussions';
import { markOf, type MarkRows } from './marks';
import type { Tables } from './tables';

const percent = (n: number, of: number) => (of ? Math.round((n / of) * 100) : null);

/** What a page says of how one discussion goes, against the rows of the tables. */
export function checkGoes(week: WeekGoes, all: Expected[], tables: Tables, marks: MarkRows, wrong: Wrong) {
  const discussion = tables.discussions.find((d) => d.slug === week.slug);
  const students = new Set(
    tables.enrolments
      .filter((e) => e.role === 'student' && e.course_id === discussion?.course_id)
      .map((e) => e.person_id),
  );
  const stands = tables.posts.filter(
    (p) =>
      p.discussion_id === discussion?.id &&
      p.withdrawn_at === null &&
      p.hidden_at === null &&
      p.private_to === null,
  );
  const responses = stands.filter((p) => p.kind === 'response' && students.has(p.author_id));
  /** Posts of others that answer it or one of its answers. */
  const under = (id: number): typeof stands => {
    const direct = tables.posts.filter((p) => p.parent_id === id);
    return direct.flatMap((p) => [...stands.filter((s) => s.id === p.id), ...under(p.id)]);
  };
  const replies = responses.map((r) => under(r.id).filter((p) => p.author_id !== r.author_id).length);
  const owing = all.filter((d) => d.ledger.obligations.some((o) => o.state !== 'excused'));
  const hasResponse = (d: Expected) =>
    d.shared.some((p) =>
      tables.posts.some(
        (x) => x.id === p.id && x.kind === 'response' && x.withdrawn_at === null && x.hidden_at === null,
      ),
    );
  const points = marks.released
    .filter((m) => m.slug === week.slug)
    .flatMap((m) => markOf(m)?.points ?? [])
    .sort((a, b) => a - b);
  wrong.same(
    [week.participation, week.complete, week.responses, week.unanswered, week.repliesEach],
    [
      percent(owing.filter(hasResponse).length, owing.length),
      percent(owing.filter((d) => d.ledger.complete).length, owing.length),
      responses.length,
      replies.filter((n) => n === 0).length,
      replies.length ? Math.round((replies.reduce((a, b) => a + b, 0) / replies.length) * 10) / 10 : null,
    ],
    `${week.slug}: how it goes`,
  );
  wrong.same(
    week.spread && [week.spread.n, week.spread.least, week.spread.most],
    points.length ? [points.length, points[0] ?? null, points.at(-1) ?? null] : null,
    `${week.slug}: how its marks are spread`,
  );
}
