import type { Need } from '@/contract/desk';
import { groupBy } from '@/core/group';
import type { CourseId, DiscussionId, Instant } from '@/core/ids';
import type { Db } from '@/db/connection';
import { deskNeeds, type DiscussionNeeds } from '@/db/queries/desk-needs';
import { openHandedCounts } from '@/db/queries/handed-over';
import { openQuestions } from '@/db/queries/questions';
import { openTroubles } from '@/db/queries/troubles';

const NOTHING: DiscussionNeeds = {
  reports: 0,
  silent: 0,
  unanswered: 0,
  unmarked: 0,
  second: 0,
  asked: 0,
  back: 0,
};

type Shown = {
  id: DiscussionId;
  slug: string;
  title: string;
  shown: boolean;
  asking: number;
  differs: number;
  open: boolean;
  /** Nothing can be shared in it any more. */
  over: boolean;
};

/**
 * What of a course needs who teaches it: asked and waiting first, then what is broken, then posts nobody has answered and students who have
 * shared nothing in what is open. Four questions to the database.
 */
export async function needsOf(
  db: Db,
  course: CourseId,
  discussions: readonly Shown[],
  waiting: number,
): Promise<Need[]> {
  const shown = discussions.filter((d) => d.shown);
  const [counts, questions, troubles, handed] = await Promise.all([
    deskNeeds(db, course),
    openQuestions(db, course),
    openTroubles(db, course),
    openHandedCounts(db, course),
  ]);
  const of = (d: Shown) => counts.get(d.id) ?? NOTHING;
  const each = (kind: Extract<Need, { slug: string; n: number }>['kind'], n: (d: Shown) => number): Need[] =>
    shown.flatMap((d) => (n(d) > 0 ? [{ kind, slug: d.slug, title: d.title, n: n(d) }] : []));
  return [
    ...each('handed', (d) => handed.get(d.id) ?? 0),
    ...each('time', (d) => d.asking),
    ...each('reports', (d) => of(d).reports),
    ...[...groupBy(troubles, (t) => `${t.place.kind}/${t.place.slug}`).values()].flatMap((said): Need[] => {
      const [first] = said;
      return first
        ? [
            {
              kind: 'trouble',
              place: { kind: first.place.kind, slug: first.place.slug },
              title: first.place.title,
              said: said.map(({ name, said: text, saidAt }) => ({ name, text, at: saidAt })),
            },
          ]
        : [];
    }),
    ...(questions ? [{ kind: 'questions' as const, n: questions }] : []),
    ...each('asked', (d) => of(d).asked),
    ...each('back', (d) => of(d).back),
    ...each('unmarked', (d) => (d.over ? of(d).unmarked : 0)),
    ...each('second', (d) => of(d).second),
    ...each('differs', (d) => d.differs),
    ...each('unanswered', (d) => (d.open ? of(d).unanswered : 0)),
    ...each('silent', (d) => (d.open ? of(d).silent : 0)),
    ...(waiting ? [{ kind: 'waiting' as const, n: waiting }] : []),
  ];
}

/** Whether something can be shared in a discussion at a moment, by everybody's dates. */
export const isOpenAt = (schedule: { opens: number; closes: number }, now: Instant): boolean =>
  now >= schedule.opens && now < schedule.closes;
