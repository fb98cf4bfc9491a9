import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import type { GroupsPage } from '@/contract/desk';
import { commonTimes, dealAtRandom, dealByTimes } from '@/core/desk/groups';
import { fail, ok, type Result } from '@/core/result';
import { ask } from '@/db/ask';
import type { Db } from '@/db/connection';
import { discussionsOf } from '@/db/queries/discussions';
import {
  deleteGroup,
  groupsOf,
  insertGroup,
  moveToGroup,
  renameGroup,
  studentsInGroups,
} from '@/db/queries/groups';
import type { NotFound } from '../access/enter';
import type { EnteredCourse } from '../courses/enter';
import type { Actor, Deps } from '../deps';
import { enterDesk } from './enter';
import { chance } from './chance';
import { line, people } from './fields';

/** The groups of a course: who is in which, and which discussions they have to themselves. */
export async function groupsPage(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<GroupsPage, NotFound>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  const [groups, students, discussions] = await Promise.all([
    groupsOf(deps.db, course.id),
    studentsInGroups(deps.db, course.id),
    ask(discussionsOf(deps.db, actor.id, { course: course.id })),
  ]);
  // When somebody can work is nobody's to read; that they have said it is.
  const shown = ({ id, name, group, times }: (typeof students)[number]) => ({
    id,
    name,
    group,
    hasTimes: times !== 0,
  });
  return ok({
    course,
    groups: groups.map((g) => {
      const members = students.filter((s) => s.group === g.id);
      return { ...g, members: members.map(shown), together: commonTimes(members.map((m) => m.times)) };
    }),
    ungrouped: students.filter((s) => s.group === null).map(shown),
    used: discussions
      .filter((d) => d.brief.grouped)
      .map((d) => ({ slug: d.slug, title: d.title, week: d.week.number })),
  });
}

/** So many groups a course has at most. */
const MOST_GROUPS = 100;
const id = z.uuid();

export const groupsActSchema = z.discriminatedUnion('act', [
  z.object({ act: z.literal('make'), name: line(1, 60) }),
  z.object({ act: z.literal('rename'), group: id, name: line(1, 60) }),
  z.object({ act: z.literal('drop'), group: id }),
  z.object({ act: z.literal('move'), people, group: id.or(z.literal('')) }),
  z.object({
    act: z.literal('deal'),
    how: z.enum(['chance', 'times']),
    groups: z.coerce.number().int().min(1).max(MOST_GROUPS),
    whom: z.enum(['ungrouped', 'everybody']),
  }),
]);
export type GroupsAct = z.output<typeof groupsActSchema>;
export type GroupsFailure =
  | NotFound
  | { code: 'group-taken' }
  | { code: 'group-in-use' }
  | { code: 'nobody' }
  | { code: 'too-many-groups' };

/** So many groups by name, in order; those that are wanting are made. */
async function groupsWanted(tx: Db, course: EnteredCourse, wanted: number): Promise<string[]> {
  const there = await groupsOf(tx, course.id);
  const ids = there.slice(0, wanted).map((g) => g.id);
  const names = new Set(there.map((g) => g.name));
  for (let n = 1; ids.length < wanted; n += 1) {
    if (names.has(`Group ${n}`)) continue;
    const made = { id: randomUUID(), name: `Group ${n}` };
    await insertGroup(tx, course.id, made);
    ids.push(made.id);
  }
  return ids;
}

async function deal(tx: Db, course: EnteredCourse, act: Extract<GroupsAct, { act: 'deal' }>) {
  const students = (await studentsInGroups(tx, course.id)).filter(
    (s) => act.whom === 'everybody' || s.group === null,
  );
  const ids = await groupsWanted(tx, course, act.groups);
  const dealt =
    act.how === 'times'
      ? dealByTimes(students, act.groups, chance)
      : dealAtRandom(
          students.map((s) => s.id),
          act.groups,
          chance,
        );
  for (const [i, members] of dealt.entries())
    if (members.length) await moveToGroup(tx, course.id, members, ids[i] ?? null);
}

/** Makes and changes the groups of a course. What somebody wrote stays in the group it was written in, and counts as before. */
export async function actOnGroups(
  deps: Deps,
  actor: Actor,
  slug: string,
  act: GroupsAct,
): Promise<Result<null, GroupsFailure>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  return deps.db.transaction(async (tx) => {
    const there = await groupsOf(tx, course.id);
    const isHere = (group: string) => there.some((g) => g.id === group);
    switch (act.act) {
      case 'make':
        if (there.length >= MOST_GROUPS) return fail({ code: 'too-many-groups' as const });
        return (await insertGroup(tx, course.id, { id: randomUUID(), name: act.name }))
          ? ok(null)
          : fail({ code: 'group-taken' as const });
      case 'rename':
        if (!isHere(act.group)) return fail({ code: 'not-found' as const });
        return (await renameGroup(tx, course.id, { id: act.group, name: act.name }))
          ? ok(null)
          : fail({ code: 'group-taken' as const });
      case 'drop':
        if (!isHere(act.group)) return fail({ code: 'not-found' as const });
        return (await deleteGroup(tx, course.id, act.group))
          ? ok(null)
          : fail({ code: 'group-in-use' as const });
      case 'move':
        if (act.people.length === 0) return fail({ code: 'nobody' as const });
        if (act.group && !isHere(act.group)) return fail({ code: 'not-found' as const });
        await moveToGroup(tx, course.id, act.people, act.group || null);
        return ok(null);
      case 'deal':
        await deal(tx, course, act);
        return ok(null);
    }
  });
}
