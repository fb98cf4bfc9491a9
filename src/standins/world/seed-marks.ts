import { createHash } from 'node:crypto';
import { askedChecks } from '@/core/brief/asked-checks';
import { daysLater, instantOf } from '@/core/deadlines/wallclock';
import { markSchema, type Mark, type Scheme } from '@/core/marks/mark';
import { proposeLevels } from '@/core/marks/propose';
import { roundPoints } from '@/core/marks/points';
import { courseSlug, instant, type Instant } from '@/core/ids';
import { anchorOfWords } from '@/core/notes/anchor';
import { readingText } from '@/core/notes/reading-text';
import type { Actor, Deps } from '@/server/deps';
import { discussionOnDesk, enterDesk } from '@/server/desk/enter';
import { giveBackPart } from '@/server/marks/again';
import { actOnComment, answerAsStaff } from '@/server/marks/comments';
import { changePost } from '@/server/posts/change';
import type { Doc } from '@/core/document/nodes';
import { yourPart } from '@/server/discussions/your-part';
import { chooseWay, keepMark } from '@/server/marks/keep';
import { keepRemark } from '@/server/marks/remarks';
import { noteSeen } from '@/server/marks/seen';
import { classMarks, type Marked } from '@/server/marks/class-marks';
import { releaseMarks } from '@/server/marks/release';
import { readTwice, shareClass } from '@/server/marks/together';
import { COURSES } from './courses';
import { STAFF } from './people';
import { ASKED, KEPT_REMARKS, MARKS, REMARKS } from './rubrics';
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

/** What students asked about criteria of their marks, and what they were told. */
async function askAbout(
  { db, now: released }: Deps,
  latest: Instant,
  course: string,
  slug: string,
  student: Actor,
  marker: Actor,
) {
  const after = (hours: number) => instant(Math.min(latest, released + hours * 3_600_000));
  for (const { criterion, body, answer } of ASKED.filter(
    (a) => a.discussion === slug && a.person === student.name,
  )) {
    const id = idOf(`${slug} ${criterion} asked`);
    await actOnComment({ db, now: after(9) }, student, slug, { do: 'ask', criterion, id, body });
    if (answer)
      await answerAsStaff(
        { db, now: after(23) },
        marker,
        { slug: course, name: slug, person: student.id },
        {
          about: { criterion },
          id: idOf(`${slug} ${criterion} answered`),
          body: answer,
        },
      );
  }
}

/** The two marks that wait are read a second time by the assistant: one reading agrees, one does not. */
async function readSecond(
  deps: Deps,
  at: { slug: string; name: string },
  marked: readonly Marked[],
  marker: Actor,
  reader: Actor,
) {
  await readTwice(deps, marker, at, { people: marked.map((m) => m.student.id), reader: reader.id });
  const door = await enterDesk(deps, marker, at.slug);
  const found = door.ok ? await discussionOnDesk(deps.db, marker, door.value, at.name) : door;
  if (!door.ok || !found.ok) return;
  const { scheme, all } = await classMarks(deps, deps.db, door.value, found.value.record);
  for (const [i, { student }] of marked.entries()) {
    const mark = all.find((m) => m.student.id === student.id)?.mark;
    if (!mark || scheme.by !== 'rubric') continue;
    const levels = Object.fromEntries(
      scheme.rubric.criteria.map((c, n) => {
        const level = mark.levels[c.id] ?? 0;
        return [c.id, i === 0 && n === 1 ? (level === 0 ? 1 : level - 1) : level];
      }),
    );
    const remark = i === 0 ? 'For me the idea is named more than it is used.' : '';
    await keepMark(
      deps,
      reader,
      { ...at, person: student.id },
      {
        mark: markSchema.parse({ levels, remark }),
        base: 0,
        second: true,
      },
    );
  }
}

/** Whose part was to be done again in the demo's studio course, and what they wrote when they gave it back. */
const GIVEN_BACK = {
  course: 'SND 130',
  week: 5,
  said: 'I recorded the second take in the stairwell, and say why.',
};

/** The first whose part was to be done again changes it and gives it back. */
async function doAgain(deps: Deps, slug: string, marked: readonly Marked[], actor: World['actor']) {
  for (const { student } of marked) {
    const who = actor(student.name);
    const part = await yourPart(deps, who, slug);
    const response = part.ok ? part.value.shared.find((s) => s.to === null && !s.withdrawn)?.text : undefined;
    if (!part.ok || !part.value.feedback.again || !response) continue;
    const { title, doc } = response.latest ?? response;
    const added: Doc = {
      ...doc,
      content: [
        ...(doc.content ?? []),
        {
          type: 'paragraph',
          content: [
            {
              type: 'text',
              text: 'Done again: the second take is from the stairwell, four seconds of tail instead of one. What I called warmth in the first was the carpet.',
            },
          ],
        },
      ],
    };
    const changed = await changePost(deps, who, slug, response.id, { title, doc: added });
    if (changed.ok) await giveBackPart(deps, who, slug, GIVEN_BACK.said);
    return;
  }
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
  for (const m of marked) {
    const student = actor(m.student.name);
    await answerComments({ db, now }, discussion.slug, student);
    await askAbout(deps, now, slug, discussion.slug, student, marker);
  }
  const assistant = STAFF.find((s) => s.course === course.code && s.role === 'assistant');
  const place = { slug, name: discussion.slug };
  if (assistant && course.code === BEING_MARKED.code) {
    const reader = actor(assistant.name);
    if (beingMarked) await readSecond(deps, place, marked.slice(BEING_MARKED.released), marker, reader);
    else if (discussion.week === BEING_MARKED.week - 1)
      await shareClass(deps, marker, place, { by: 'letter', among: [marker.id, reader.id] });
  }
  if (course.code === GIVEN_BACK.course && discussion.week === GIVEN_BACK.week)
    await doAgain({ db, now }, discussion.slug, marked, actor);
  if (discussion.week < LAST_WEEK)
    for (const m of marked) await noteSeen(deps, actor(m.student.name), discussion.slug);
}

/** The marks of the weeks that are over, as staff have written and released them by now. */
export async function addMarks(db: Deps['db'], now: Instant, world: World) {
  for (const { name, role, course } of STAFF)
    if (role === 'instructor')
      for (const [i, body] of KEPT_REMARKS.entries())
        await keepRemark({ db, now }, world.actor(name), courseSlug(course), { key: i + 1, body });
  for (const course of COURSES)
    for (const discussion of course.discussions) await markDiscussion(db, now, course, discussion, world);
}
