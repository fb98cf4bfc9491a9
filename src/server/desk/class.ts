import { z } from 'zod';
import { pictureAt } from '@/contract/addresses';
import type { ClassPage, Standing } from '@/contract/desk';
import type { CourseId, PersonId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import { announcedBy } from '@/db/queries/announcements';
import { studentsAmong, studentsPage } from '@/db/queries/class';
import { studentsInGroups } from '@/db/queries/groups';
import { signaturesOf, signingOf } from '@/db/queries/syllabus';
import { classSize } from '@/db/queries/desk';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { announce, announced, type AnnounceFailure } from '../courses/announcements';
import type { WouldBeWorse } from './asked-first';
import { actOnDesk, type DeskFailure } from './discussion';
import { enterDesk } from './enter';
import { hours, people, reason, sure, when } from './fields';
import { giveHours } from './hours';
import { fadingOf } from '../rhythm/fading';
import { standingsOf } from './standings';

/** So many names stand on one page. */
const AT_A_TIME = 60;
const MOST_CHOSEN = 500;
/** Who has not signed the syllabus as it stands, where it is to be signed. */
async function unsignedIn(db: Deps['db'], course: CourseId): Promise<PersonId[]> {
  const signing = await signingOf(db, course);
  const all = signing?.toSign ? await signaturesOf(db, course, signing.version) : [];
  return all.filter((s) => s.signedAt === null).map((s) => s.id);
}

/** Before a group's id, where all of it are chosen. */
const OF_GROUP = 'group-';
const inGroup = async (db: Deps['db'], course: CourseId, group: string): Promise<PersonId[]> =>
  (await studentsInGroups(db, course)).filter((s) => s.group === group).map((s) => s.id);

const NOTHING: Standing = { opened: 0, responded: 0, complete: 0, excused: 0, owed: 0, missed: 0 };

/** The class by name, with how each stands in what has opened, and the hours they always have more. */
export async function classPage(
  deps: Deps,
  actor: Actor,
  slug: string,
  asked: { page: number; choose: string },
): Promise<Result<ClassPage, NotFound>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  const total = await classSize(deps.db, course.id);
  // Whoever chooses some has all of them on one page.
  const most = asked.choose ? MOST_CHOSEN : AT_A_TIME;
  const pages = Math.max(1, Math.ceil(total / most));
  const page = Math.min(Math.max(1, asked.page), pages);
  const students = await studentsPage(deps.db, course.id, { limit: most, offset: (page - 1) * most });
  const { standings, discussions, silentIn, each } = await standingsOf(deps, actor, course, students);
  const of = (id: PersonId) => standings.get(id) ?? NOTHING;
  const discussion = discussions.find((d) => d.slug === asked.choose);
  const silent = new Set(discussion ? silentIn(discussion) : []);
  const unsigned = new Set(asked.choose === 'unsigned' ? await unsignedIn(deps.db, course.id) : []);
  const fading = new Set(asked.choose === 'fading' ? fadingOf(each, deps.now).map((f) => f.id) : []);
  const isChosen = (id: PersonId): boolean =>
    asked.choose === 'all' ||
    (asked.choose === 'owe' && of(id).owed > 0) ||
    (asked.choose === 'missed' && of(id).missed > 0) ||
    silent.has(id) ||
    unsigned.has(id) ||
    fading.has(id) ||
    grouped.has(id);
  const grouped = new Set(
    asked.choose.startsWith(OF_GROUP)
      ? await inGroup(deps.db, course.id, asked.choose.slice(OF_GROUP.length))
      : [],
  );
  const chosen = students.map((s) => s.id).filter(isChosen);
  return ok({
    course,
    now: deps.now,
    chosen,
    choose: asked.choose,
    silentIn: discussion?.title ?? null,
    announced: await announcedBy(deps.db, course.id, actor.id),
    students: students
      .map(({ picture, ...s }) => ({
        ...s,
        picture: picture && pictureAt(s.id, { v: picture }),
        standing: of(s.id),
      }))
      // The chosen first, and each part by name.
      .sort((a, b) => Number(isChosen(b.id)) - Number(isChosen(a.id))),
    total,
    page,
    pages,
    discussions: discussions.map((d) => ({ slug: d.slug, title: d.title, week: d.week.number })),
  });
}

export const classActSchema = z.discriminatedUnion('act', [
  z.object({
    act: z.literal('extend'),
    people,
    discussion: z.string().max(200),
    responseDue: when,
    repliesDue: when,
    reason,
  }),
  z.object({ act: z.literal('excuse'), people, discussion: z.string().max(200), reason }),
  z.object({ act: z.literal('hours'), people, hours, reason, sure }),
  z.object({ act: z.literal('no-hours'), people, sure }),
  z.object({ act: z.literal('tell'), people, ...announced }),
]);
export type ClassAct = z.output<typeof classActSchema>;
export type ClassFailure = DeskFailure | { code: 'nobody' } | AnnounceFailure | WouldBeWorse;

/** What staff do for the students they have chosen: more time in one discussion or in all, nothing owed, a few words to them alone. */
export async function actOnClass(
  deps: Deps,
  actor: Actor,
  slug: string,
  act: ClassAct,
): Promise<Result<null, ClassFailure>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  const chosen = await studentsAmong(deps.db, course.id, act.people);
  if (act.people.length === 0) return fail({ code: 'nobody' });
  if (chosen.length < new Set(act.people).size) return fail({ code: 'no-student' });
  switch (act.act) {
    case 'extend':
    case 'excuse':
      return actOnDesk(deps, actor, slug, act.discussion, { ...act, people: chosen });
    case 'hours':
    case 'no-hours':
      return giveHours(deps, actor, course, chosen, act);
    case 'tell': {
      const said = await announce(deps, actor, slug, { ...act, people: chosen });
      return said.ok ? ok(null) : said;
    }
  }
}
