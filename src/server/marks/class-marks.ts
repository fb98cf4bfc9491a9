import type { MarkLine, MarkState } from '@/contract/marks';
import { ledger } from '@/core/counting/ledger';
import { balanceOf } from '@/core/counting/summary';
import type { Ledger } from '@/core/counting/types';
import type { Schedule } from '@/core/deadlines/schedule';
import { groupBy } from '@/core/group';
import type { PersonId } from '@/core/ids';
import {
  EMPTY_MARK,
  fitted,
  isBegun,
  lateOf,
  schemeOf,
  scoreOf,
  type Late,
  type Mark,
  type Scheme,
} from '@/core/marks/mark';
import { releasable, type Given } from '@/core/marks/release';
import { isUnread, stageOf, type SecondStage } from '@/core/marks/second';
import { askTogether } from '@/db/ask';
import type { Db } from '@/db/connection';
import { studentsPage, type ClassStudent } from '@/db/queries/class';
import type { DiscussionRecord, DiscussionWithPrompt } from '@/db/queries/discussions';
import { markingIn, type MarkingRecord } from '@/db/queries/marking';
import { releasedIn, type ReleasedRecord } from '@/db/queries/marks';
import { askingIn } from '@/db/queries/comment-answers';
import { givenBackIn, type GivenBack } from '@/db/queries/given-back';
import { sharesIn } from '@/db/queries/marking-shares';
import { postsIn } from '@/db/queries/own-posts';
import { secondsIn, type SecondRecord } from '@/db/queries/second-readings';
import type { EnteredCourse } from '../courses/enter';
import type { Actor, Deps } from '../deps';
import { meetingOf, ownOf, studentAccount } from '../desk/as-student';
import { givenBy } from './released';

/** A course has no more students than this, as far as its marks go. */
const EVERYBODY = { limit: 2_000, offset: 0 };

/** One student with all that a mark is made of. */
export type Marked = {
  student: ClassStudent;
  record: DiscussionRecord;
  schedule: Schedule;
  ledger: Ledger;
  late: Late | null;
  mark: Mark;
  written: Pick<MarkingRecord, 'mark' | 'revision' | 'by' | 'marker'> | null;
  released: ReleasedRecord | null;
  /** What the student sees now. */
  seen: Given | null;
  state: MarkState;
  /** Whose share they are in; null where the class is not shared out. */
  marker: PersonId | null;
  second: Second | null;
  /** They did it again and gave it back since what they see was released. */
  back: GivenBack | null;
  /** They asked something about their mark that nobody answered. */
  asks: boolean;
  /** It is written in full, its student sees another or none, and no second reading waits. */
  ready: boolean;
};

/** The second reading of a part, with how far it is. */
export type Second = SecondRecord & { stage: SecondStage };

export type ClassMarks = { scheme: Scheme; all: Marked[] };

function stateOf(given: Given, seen: Given | null): { state: MarkState; ready: boolean } {
  const can = releasable(given, seen);
  if (can === 'same') return { state: 'released', ready: false };
  if (can === 'new') return { state: 'written', ready: true };
  if (seen) return { state: 'changed', ready: can === 'changed' };
  return { state: isBegun(given.mark) ? 'begun' : 'unwritten', ready: false };
}

/** How far a mark is by what was written and what its student sees. */
export const markStateOf = (given: Given, seen: Given | null): MarkState => stateOf(given, seen).state;

/** What a discussion is marked by. */
export const markedBy = ({ way, rubric, classBrief }: DiscussionWithPrompt) => ({
  way,
  rubric,
  points: classBrief.points,
});

/** A mark as its second reader has it before theirs is written: nothing of it, seen by its student or not. */
const held = (one: Marked): Marked => ({
  ...one,
  mark: EMPTY_MARK,
  written: null,
  released: null,
  seen: null,
  state: 'held',
  back: null,
  asks: false,
  ready: false,
});

/** The marks of a discussion's class as one of the staff may look at them. */
export async function marksFor(
  deps: Pick<Deps, 'now'>,
  db: Db,
  actor: Pick<Actor, 'id'>,
  course: EnteredCourse,
  discussion: DiscussionWithPrompt,
): Promise<ClassMarks> {
  const { scheme, all } = await classMarks(deps, db, course, discussion);
  const isHeld = ({ second }: Marked) => second?.reader.id === actor.id && isUnread(scheme, second);
  return { scheme, all: all.map((m) => (isHeld(m) ? held(m) : m)) };
}

/**
 * The marks of a discussion's class, written and released, each beside the account it is given for: all of them, for what the rules do
 * with them. What is shown to somebody comes from `marksFor`.
 */
export async function classMarks(
  { now }: Pick<Deps, 'now'>,
  db: Db,
  course: EnteredCourse,
  discussion: DiscussionWithPrompt,
): Promise<ClassMarks> {
  const place = { course: course.id, discussion: discussion.id };
  // One after the other: this may be asked within a change, which has one connection.
  const students = await studentsPage(db, course.id, EVERYBODY);
  const meets = meetingOf(discussion, await ownOf(db, course));
  const { posts, written, released, shares, seconds, given, asking } = await askTogether(db, {
    posts: postsIn(db, { course: course.id, discussions: [discussion.id] }),
    written: markingIn(db, place),
    released: releasedIn(db, place),
    shares: sharesIn(db, place),
    seconds: secondsIn(db, place),
    given: givenBackIn(db, place),
    asking: askingIn(db, place),
  });
  const scheme = schemeOf(markedBy(discussion));
  const postsBy = groupBy(posts, (p): PersonId => p.author);
  const writtenOf = new Map(written.map((w) => [w.person, w]));
  const releasedOf = new Map(released.map((r) => [r.person, r]));
  const secondOf = new Map(seconds.map((r) => [r.person, r]));
  return {
    scheme,
    all: students.map((student): Marked => {
      const {
        record,
        schedule,
        ledger: account,
      } = studentAccount(ledger, meets(student), student.id, postsBy.get(student.id) ?? [], now);
      const late = lateOf(account, record.timetable.late);
      const theirs = writtenOf.get(student.id) ?? null;
      const out = releasedOf.get(student.id) ?? null;
      const kept = theirs?.mark ?? EMPTY_MARK;
      const mark = { ...kept, levels: fitted(scheme, kept.levels) };
      const seen = out && givenBy(out, { rubric: discussion.rubric, points: discussion.classBrief.points });
      const asked = secondOf.get(student.id) ?? null;
      const second = asked && {
        ...asked,
        stage: stageOf(scheme, { mark, revision: theirs?.revision ?? 0 }, asked),
      };
      const back = given.find((b) => b.person === student.id && b.n === out?.n) ?? null;
      const stands = stateOf({ mark, scheme, late }, seen);
      // What was done again is marked again, though it may come to the same.
      const isAnew =
        back !== null && stands.state === 'released' && theirs !== null && theirs.writtenAt > back.at;
      const { state, ready } = isAnew ? { state: 'changed' as const, ready: true } : stands;
      return {
        student,
        record,
        schedule,
        ledger: account,
        late,
        mark,
        written: theirs,
        released: out,
        seen,
        state,
        marker: shares.get(student.id) ?? null,
        second,
        back,
        asks: asking.has(student.id),
        ready: ready && (second === null || second.stage === 'agrees' || second.stage === 'settled'),
      };
    }),
  };
}

/** One of them in the strip above. */
export const lineOf = (
  scheme: Scheme,
  { student, ledger: account, mark, late, state, second, back, asks }: Marked,
): MarkLine => {
  const score = scoreOf(scheme, mark, late);
  return {
    id: student.id,
    name: student.name,
    balance: balanceOf(account),
    state,
    points: score.open === 0 ? score.points : null,
    verdict: scheme.by === 'verdict' ? mark.verdict : null,
    second: second?.stage ?? null,
    back: back !== null && state === 'released',
    asks,
  };
};
