import { createHash } from 'node:crypto';
import { askedChecks } from '@/core/brief/asked-checks';
import { daysLater, instantOf } from '@/core/deadlines/wallclock';
import { markSchema, type Mark, type Scheme } from '@/core/marks/mark';
import { proposeLevels } from '@/core/marks/propose';
import { roundPoints } from '@/core/marks/points';
import { courseSlug, type Instant } from '@/core/ids';
import { anchorOfWords } from '@/core/notes/anchor';
import { readingText } from '@/core/notes/reading-text';
import type { Actor, Deps } from '@/server/deps';
import { discussionOnDesk, enterDesk } from '@/server/desk/enter';
import { actOnComment } from '@/server/marks/comments';
import { yourPart } from '@/server/discussions/your-part';
import { chooseWay, keepMark } from '@/server/marks/keep';
import { noteSeen } from '@/server/marks/seen';
import { classMarks, type Marked } from '@/server/marks/class-marks';
import { releaseMarks } from '@/server/marks/release';
import { COURSES } from './courses';
import { STAFF } from './people';
import { MARKS, REMARKS } from './rubrics';
import type { WorldCourse, WorldDiscussion } from './types';

type World = {
  actor: (name: string) => Actor;
  /** The Monday of a week. */
  weekStart: (week: number) => string;
};

/** A number under `n` that the same words always give. */
const lot = (words: string, n: number): number =>
  createHash('sha1').update(words).digest().readUInt32BE(0) % n;

/** The week whose marks are being written as the demo begins: some are released, two wait, the rest is open. */
const BEING_MARKED = { code: 'GEO 115', week: 5, released: 3, written: 2 };
const LAST_WEEK = 5;

const remarkFor = (words: string): string =>
  lot(`${words} said`, 3) === 0 ? (REMARKS[lot(`${words} remark`, REMARKS.length)] ?? '') : '';

/** What a marker of the demo would say: what the ledger proposes, a step lower here and there. */
function markFor(scheme: Scheme, discussion: WorldDiscussion, one: Marked): Mark {
  const words = `${discussion.slug} ${one.student.name}`;
  const remark = remarkFor(words);
  const { obligations } = one.ledger;
  const met = obligations.filter((o) => o.post !== null).length;
  if (scheme.by === 'verdict')
    return markSchema.parse({ verdict: met * 3 >= obligations.length * 2 ? 'done' : 'again', remark });
  if (scheme.by === 'points') {
    const full = (scheme.of * met) / Math.max(1, obligations.length);
    const points = Math.max(0, Math.round(full) - (lot(words, 3) === 0 ? 1 : 0));
    return markSchema.parse({ points: roundPoints(points), remark });
  }
  if (scheme.by !== 'rubric') return markSchema.parse({ remark });
  const proposed = proposeLevels(scheme.rubric, one.ledger, askedChecks(one.record.brief));
  const levels = scheme.rubric.criteria.map((c) => {
    const level = (proposed[c.id]?.level ?? 0) + (lot(`${words} ${c.id}`, 4) === 0 ? 1 : 0);
    return [c.id, Math.min(c.levels.length - 1, level)];
  });
  return markSchema.parse({ levels: Object.fromEntries(levels), remark });
}

const idOf = (words: string): string => {
  const h = createHash('sha1').update(words).digest('hex');
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-5${h.slice(13, 16)}-8${h.slice(17, 20)}-${h.slice(20, 32)}`;
};

/** A mark that the world has in so many words, with its comments where their words stand. */
async function setMark(deps: Deps, slug: string, student: Actor): Promise<Mark | null> {
  const set = MARKS.find((m) => m.discussion === slug && m.person === student.name);
  if (!set) return null;
  const part = await yourPart(deps, student, slug);
  const response = part.ok ? part.value.shared.find((s) => s.to === null)?.text : undefined;
  const comments = set.comments.flatMap(({ words, body, instead }) => {
    const anchor = response && anchorOfWords(readingText(response.doc).text, words);
    return anchor
      ? [
          {
            id: idOf(`${slug} ${words}`),
            post: response.id,
            n: response.n,
            anchor,
            body,
            instead: instead ?? null,
          },
        ]
      : [];
  });
  return markSchema.parse({ levels: set.levels, remark: set.remark, comments });
}

/** What students answered to comments on their parts. */
async function answerComments({ db, now }: Deps, slug: string, student: Actor) {
  for (const { words, answer } of MARKS.find((m) => m.discussion === slug && m.person === student.name)
    ?.comments ?? [])
    if (answer)
      await actOnComment({ db, now }, student, slug, {
        do: 'answer',
        comment: idOf(`${slug} ${words}`),
        id: idOf(`${slug} ${words} answer`),
        body: answer,
      });
}

async function markDiscussion(
  db: Deps['db'],
  now: Instant,
  course: WorldCourse,
  discussion: WorldDiscussion,
  { actor, weekStart }: World,
) {
  const staff = STAFF.find((s) => s.course === course.code && s.role === 'instructor');
  if (!staff) return;
  const marker = actor(staff.name);
  // Marked by the Tuesday after, before the demo begins.
  const at = instantOf(daysLater(`${weekStart(discussion.week + 1)}T10:30`, 1), course.timeZone);
  const deps = { db, now: at < now ? at : now };
  const slug = courseSlug(course.code);
  if (course.code === 'SND 130') await chooseWay(deps, marker, slug, discussion.slug, 'verdict');
  if (discussion.week > LAST_WEEK) return;
  const door = await enterDesk(deps, marker, slug);
  if (!door.ok) return;
  const found = await discussionOnDesk(db, marker, door.value, discussion.slug);
  if (!found.ok) return;
  const { scheme, all } = await classMarks(deps, db, door.value, found.value.record);
  const isHere = (m: Marked) => m.ledger.verdicts.length > 0;
  const beingMarked = course.code === BEING_MARKED.code && discussion.week === BEING_MARKED.week;
  // Whoever the demo shows is among those who have their mark.
  const ordered = [...all.filter(isHere)].sort(
    (a, b) => Number(b.student.name === 'Imani Okoro') - Number(a.student.name === 'Imani Okoro'),
  );
  const marked = beingMarked ? ordered.slice(0, BEING_MARKED.released + BEING_MARKED.written) : ordered;
  for (const one of marked) {
    const student = actor(one.student.name);
    const mark = (await setMark(deps, discussion.slug, student)) ?? markFor(scheme, discussion, one);
    await keepMark(deps, marker, { slug, name: discussion.slug, person: student.id }, { mark, base: 0 });
  }
  const out = (beingMarked ? marked.slice(0, BEING_MARKED.released) : marked).map((m) => m.student.id);
  await releaseMarks(deps, marker, slug, discussion.slug, out);
  for (const m of marked) await answerComments({ db, now }, discussion.slug, actor(m.student.name));
  if (discussion.week < LAST_WEEK)
    for (const m of marked) await noteSeen(deps, actor(m.student.name), discussion.slug);
}

/** The marks of the weeks that are over, as staff have written and released them by now. */
export async function addMarks(db: Deps['db'], now: Instant, world: World) {
  for (const course of COURSES)
    for (const discussion of course.discussions) await markDiscussion(db, now, course, discussion, world);
}
