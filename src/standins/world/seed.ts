import { createHash } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { briefSchema } from '@/core/brief/brief';
import { daysLater, instantOf, wallClockAt } from '@/core/deadlines/wallclock';
import { courseId, discussionId, instant, personId, type Instant, type PostId } from '@/core/ids';
import { documentFromParts, documentFromText } from '@/core/document/compose';
import type { Doc, InlineNode } from '@/core/document/nodes';
import { weekOf } from '@/core/week/week';
import type { Actor, Deps } from '@/server/deps';
import { keepDraft } from '@/server/drafts/keep';
import type { FileStore } from '@/server/files/store';
import { rubricSchema } from '@/core/rubric/rubric';
import { dealPosts } from '@/server/notices/deal';
import { share } from '@/server/posts/share';
import { hashPassword } from '@/server/sessions/sessions';
import * as setup from '@/server/setup/setup';
import { ANNOUNCEMENTS, COURSES } from './courses';
import { CLASSES, DEMO_PASSWORD, emailOf, OBSERVER, OFFERED, STAFF, STUDENTS } from './people';
import { parseTexts, partsOfBody, type WorldPost } from './parse-texts';
import { AWAY, DRAFTS, EXCUSED, EXTENSIONS } from './special';
import { addCollege } from './seed-college';
import { addDesk } from './seed-desk';
import { addPictures, addWaysIn } from './seed-faces';
import { drawingIn } from './drawings';
import { addHistory } from './seed-habits';
import { keepRhythms } from '@/server/rhythm/keep-rhythms';
import { addMarks } from './seed-marks';
import { addElsewhere } from './seed-elsewhere';
import { addNotices } from './seed-notices';
import { addQuestions } from './seed-questions';
import { addMaterial, addEstimates } from './seed-material';
import { addPages, overviewsOf } from './seed-pages';
import type { WorldCourse, WorldDiscussion } from './types';

/** When a demo begins if nobody says otherwise: a Tuesday afternoon, in the middle of week 6. */
export const DEMO_START = instant(Date.UTC(2026, 9, 13, 15, 42));
const HOME_ZONE = 'Europe/London';
const DEMO_WEEK = 6;

/** The same name gives the same id, so that every seeding makes the same world. */
function idOf(kind: string, name: string): string {
  const h = createHash('sha1').update(`pulpit demo ${kind} ${name}`).digest('hex');
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-5${h.slice(13, 16)}-8${h.slice(17, 20)}-${h.slice(20, 32)}`;
}

const person = (name: string) => personId(idOf('person', name));
const actor = (name: string): Actor => ({
  id: person(name),
  name,
  timeZone: HOME_ZONE,
  previousVisit: null,
});

type Planned = {
  post: WorldPost;
  parent: WorldPost | null;
  course: WorldCourse;
  discussion: WorldDiscussion;
  at: Instant;
};

/**
 * Lays the demo world into an empty database: courses and people outright, and every post and draft through the same
 * use-cases as in life, in order of time, with the clock of its moment. What would lie in the future of `now` is
 * left out. Week 6 is the week that holds `now`. Pictures need a place to lie; without one nobody has any.
 */
export async function seedWorld(
  db: Deps['db'],
  now: Instant,
  files: FileStore | null,
): Promise<{ posts: number }> {
  const monday = weekOf(now, HOME_ZONE)[0]?.date;
  if (!monday) throw new Error('a week has a Monday');
  const weekStart = (week: number) => daysLater(`${monday}T00:00`, (week - DEMO_WEEK) * 7).slice(0, 10);
  const wall = (week: number, day: number, time: string) => daysLater(`${weekStart(week)}T${time}`, day);

  await addPeopleAndCourses(db, now, weekStart, wall);

  await addEstimates(db, now, { actor, person });

  const planned: Planned[] = COURSES.flatMap((course) =>
    course.discussions.flatMap((discussion) => {
      const plan = (post: WorldPost, parent: WorldPost | null): Planned[] => {
        const at = instantOf(wall(discussion.week, post.day, post.time), course.timeZone);
        return [{ post, parent, course, discussion, at }, ...post.replies.flatMap((r) => plan(r, post))];
      };
      return textsOf(discussion.slug).flatMap((post) => plan(post, null));
    }),
  )
    .filter((p) => p.at <= now)
    .sort((a, b) => a.at - b.at || a.post.author.localeCompare(b.post.author));

  const made = new Map<WorldPost, PostId>();
  let day = '';
  for (const plan of planned) {
    const { post, parent, discussion, at } = plan;
    // Who follows is told day by day, as they were.
    const today = wallClockAt(at, HOME_ZONE).slice(0, 10);
    if (today !== day) await dealPosts({ db, now: at });
    day = today;
    const parentId = parent ? made.get(parent) : null;
    if (parentId === undefined)
      throw new Error(`${discussion.slug}: ${post.author} answers before there is a post`);
    const text = withNames(
      parent
        ? documentFromText(post.body)
        : documentFromParts(
            discussion.brief.parts ?? [],
            partsOfBody(post.body, discussion.brief.parts?.length ?? 0),
          ),
    );
    const author = actor(post.author);
    const drawing = parent
      ? null
      : await drawingIn(
          { db, now: at, files },
          author,
          courseId(idOf('course', plan.course.code)),
          discussion.slug,
        );
    const shared = await share({ db, now: at }, author, discussion.slug, {
      kind: parent ? 'reply' : 'response',
      parent: parentId,
      submission: idOf('submission', `${discussion.slug} ${post.author} ${post.day} ${post.time}`),
      title: post.title,
      doc: drawing ? { ...text, content: [...text.content, drawing] } : text,
      private: post.flags.includes('private'),
    });
    if (!shared.ok)
      throw new Error(`${discussion.slug}: ${post.author} could not share: ${shared.failure.code}`);
    made.set(post, shared.value.post);
  }
  for (const [post, id] of made) {
    for (const how of ['withdrawn', 'hidden'] as const) {
      if (post.flags.includes(how)) await setup.takeBack(db, id, how, now);
    }
  }
  for (const draft of DRAFTS) {
    const course = COURSES.find((c) => c.discussions.some((d) => d.slug === draft.discussion));
    const discussion = course?.discussions.find((d) => d.slug === draft.discussion);
    if (!course || !discussion) throw new Error(`no discussion ${draft.discussion}`);
    const at = instantOf(wall(discussion.week, draft.day, draft.time), course.timeZone);
    if (at > now) continue;
    const kept = await keepDraft({ db, now: at }, actor(draft.author), draft.discussion, {
      kind: 'response',
      parent: null,
      submission: idOf('draft', `${draft.discussion} ${draft.author}`),
      title: draft.title,
      doc: documentFromParts(discussion.brief.parts ?? [], draft.texts),
      base: 0,
      conflict: 'tell',
    });
    if (!kept.ok) throw new Error(`${draft.discussion}: a draft was refused: ${kept.failure.code}`);
  }
  await dealPosts({ db, now });
  await addMaterial(db, now, { actor, person });
  await addMarks(db, now, { actor, weekStart });
  await keepRhythms({ db, now });
  await addCollege(db, now, { idOf, passwordHash: await hashPassword(DEMO_PASSWORD), timeZone: HOME_ZONE });
  await addWaysIn(db, now, actor);
  if (files) await addPictures({ db, now, files }, actor);
  const ahead = (COURSES.find((c) => c.code === 'GEO 115')?.weeks.length ?? 0) + 1;
  await addDesk(db, now, {
    idOf,
    timeZone: HOME_ZONE,
    week: { number: ahead, startsOn: weekStart(ahead) },
  });
  await addQuestions(db, now, {
    idOf,
    actor,
    at: ({ week, day, time }) => instantOf(wall(week, day, time), HOME_ZONE),
    wall: ({ week, day, time }) => wall(week, day, time),
  });
  await setup.markReadBefore(db, lastVisit(now));
  await addElsewhere(db, now, actor);
  await addNotices(db, now, lastVisit(now));
  return { posts: made.size };
}

/** A text in which @Somebody Here is named, as the editor would have it. */
function withNames(doc: Doc): Doc {
  const named = (node: InlineNode): InlineNode[] =>
    node.type !== 'text'
      ? [node]
      : node.text
          .split(/@(\p{Lu}\p{L}+ \p{Lu}\p{L}+)/u)
          .flatMap((text, i): InlineNode[] =>
            text === ''
              ? []
              : i % 2
                ? [{ type: 'text', text, marks: [{ type: 'mention', attrs: { person: person(text) } }] }]
                : [{ ...node, text }],
          );
  return {
    type: 'doc',
    content: doc.content.map((block) =>
      block.type === 'paragraph' && block.content
        ? { ...block, content: block.content.flatMap(named) }
        : block,
    ),
  };
}

/** An evening before the demo begins. What was shared by the last one has been read by everybody who could. */
const lastVisit = (now: Instant, days = 1) =>
  instantOf(daysLater(wallClockAt(now, HOME_ZONE).slice(0, 11) + '20:10', -days), HOME_ZONE);

function textsOf(slug: string): WorldPost[] {
  const file = join(process.cwd(), 'src/standins/world/texts', `${slug}.md`);
  // Weeks that lie ahead have no posts yet.
  return existsSync(file) ? parseTexts(slug, readFileSync(file, 'utf8')) : [];
}

async function addPeopleAndCourses(
  db: Deps['db'],
  now: Instant,
  weekStart: (week: number) => string,
  wall: (week: number, day: number, time: string) => string,
) {
  const passwordHash = await hashPassword(DEMO_PASSWORD);
  const beside = [...STAFF, OBSERVER];
  const names = [...STUDENTS, ...beside.map((s) => s.name)];
  const course = (code: string) => courseId(idOf('course', code));
  const discussion = (slug: string) => discussionId(idOf('discussion', slug));
  const of = (slug: string) => {
    const found = COURSES.find((c) => c.discussions.some((d) => d.slug === slug));
    const item = found?.discussions.find((d) => d.slug === slug);
    if (!found || !item) throw new Error(`no discussion ${slug}`);
    return { course: course(found.code), discussion: discussion(slug), week: item.week };
  };
  await db.transaction(async (tx) => {
    await setup.addPeople(
      tx,
      names.map((name) => ({
        id: person(name),
        name,
        email: emailOf(name),
        passwordHash,
        demo: true,
        timeZone: HOME_ZONE,
        demoRank: OFFERED.includes(name) ? OFFERED.indexOf(name) + 1 : null,
        lastSeen: lastVisit(now, AWAY[name]),
      })),
    );
    await setup.addCourses(
      tx,
      COURSES.map((c) => ({ id: course(c.code), code: c.code, title: c.title, timeZone: c.timeZone })),
      COURSES.flatMap((c) =>
        c.weeks.map((title, i) => ({
          course: course(c.code),
          number: i + 1,
          title,
          startsOn: weekStart(i + 1),
          overview: overviewsOf(c.code)[i] ?? '',
        })),
      ),
    );
    await setup.enrol(tx, [
      ...Object.entries(CLASSES).flatMap(([code, members]) =>
        members.map((name) => ({ course: course(code), person: person(name), role: 'student' as const })),
      ),
      ...beside.map((s) => ({ course: course(s.course), person: person(s.name), role: s.role })),
    ]);
    await setup.addDiscussions(
      tx,
      COURSES.flatMap((c) =>
        c.discussions.map((d) => ({
          course: course(c.code),
          id: discussion(d.slug),
          slug: d.slug,
          week: d.week,
          title: d.title,
          prompt: documentFromText(d.prompt),
          brief: briefSchema.parse(d.brief),
          late: d.late ?? c.late,
          graceMinutes: d.graceMinutes ?? 0,
          opens: wall(d.week, c.opens.day, c.opens.time),
          responseDue: wall(
            d.week,
            (d.responseDue ?? c.responseDue).day,
            (d.responseDue ?? c.responseDue).time,
          ),
          repliesDue: wall(d.week, c.repliesDue.day, c.repliesDue.time),
          rubric: c.rubric && rubricSchema.parse(c.rubric),
          viewings: d.viewings,
        })),
      ),
    );
    for (const c of COURSES) await addPages(tx, c.code, course(c.code), now, idOf);
    await addHistory(tx, person('Imani Okoro'), now, idOf);
    for (const x of EXTENSIONS) {
      const { week, ...where } = of(x.discussion);
      await setup.extend(tx, {
        ...where,
        person: person(x.person),
        responseDue: x.response && wall(week, x.response.day, x.response.time),
        repliesDue: x.replies && wall(week, x.replies.day, x.replies.time),
        reason: x.reason,
      });
    }
    for (const x of EXCUSED) {
      const { course: c, discussion: d } = of(x.discussion);
      await setup.excuse(tx, { course: c, discussion: d, person: person(x.person), reason: x.reason });
    }
    for (const a of ANNOUNCEMENTS) {
      const zone = COURSES.find((c) => c.code === a.course)?.timeZone ?? HOME_ZONE;
      const postedAt = instantOf(wall(DEMO_WEEK, a.day, a.time), zone);
      if (postedAt > now) continue;
      await setup.addAnnouncement(tx, {
        course: course(a.course),
        id: idOf('announcement', a.title),
        author: person(a.author),
        title: a.title,
        body: a.body,
        postedAt,
      });
    }
  });
}
