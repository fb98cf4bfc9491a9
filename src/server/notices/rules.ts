import type { Meaning } from '@/contract/notices';
import type { NoticeKind, Way } from '@/core/notices/kinds';
import { wayOf, type NoticeRules } from '@/core/notices/rules';
import { dueAt } from '@/core/notices/when';
import { isFollowed } from '@/core/posts/following';
import { instant, postId, type Instant, type PersonId, type PostId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import { ask } from '@/db/ask';
import type { Db } from '@/db/connection';
import {
  chosenWays,
  forgetFollowed,
  holdRules,
  ownRules,
  putRules,
  setDue,
  setMailOff,
  setWay,
  unsentOf,
} from '@/db/queries/notice-rules';
import { enterRoom, type NotFound } from '../access/enter';
import { visiblePosts } from '../access/visible-posts';
import { account } from '@/db/queries/accounts';
import type { Actor, Deps } from '../deps';
import type { Box } from '../secrets/box';
import { lessOf } from './addresses';
import { meaningFor } from './page';

/** What waits to be sent goes by what holds now: nothing twice, and nothing by a rule that was changed. */
async function dueAnew(db: Db, person: PersonId, rules: NoticeRules, zone: string, now: Instant) {
  const chosen = await ask(chosenWays(db, person));
  for (const n of await unsentOf(db, person)) {
    const of = (thread: PostId | null) =>
      chosen.find((c) => c.thread === thread && c.discussion === n.discussion)?.way ?? null;
    const way = wayOf(n.kind as NoticeKind, rules, [n.thread && of(n.thread), of(null)]);
    const due = dueAt(way, n.at, rules, zone);
    // What would have gone by now goes with the next, and not in a quiet hour.
    const late = due !== null && due <= now ? dueAt(way, instant(now - 1), rules, zone) : due;
    await setDue(db, n.id, way, late);
  }
}

/** Chooses how notices reach somebody; what waits goes by it too. Answers what it means. */
export async function chooseRules(
  deps: Deps,
  actor: Actor,
  rules: NoticeRules,
): Promise<Result<Meaning, never>> {
  await deps.db.transaction(async (tx) => {
    await holdRules(tx, actor.id);
    await putRules(tx, actor.id, rules);
    await dueAnew(tx, actor.id, rules, actor.timeZone, deps.now);
  });
  return ok(await meaningFor(deps, actor, rules));
}

/** Their clock shows another time from now on: what waits goes by it. */
export async function zoneChanged(deps: Pick<Deps, 'now'>, db: Db, person: PersonId, zone: string) {
  await holdRules(db, person);
  const { rules } = await ask(ownRules(db, person));
  await dueAnew(db, person, rules, zone, deps.now);
}

/** Hears more or less of a discussion, or of a thread of it, than one's rule says: by another way, or not at all. */
export async function chooseWay(
  deps: Deps,
  actor: Actor,
  slug: string,
  chosen: 'rule' | 'none' | Way,
  thread: number | null = null,
): Promise<Result<null, NotFound>> {
  const door = await enterRoom(deps, actor, slug);
  if (!door.ok) return door;
  const { record } = door.value;
  const at = thread === null ? null : postId(thread);
  const [response] = at === null ? [] : await visiblePosts(deps.db, actor, door.value, [at]);
  if (at !== null && response?.kind !== 'response') return fail({ code: 'not-found' });
  await deps.db.transaction(async (tx) => {
    await holdRules(tx, actor.id);
    const place = { course: record.course.id, discussion: record.id };
    const own = (await ask(chosenWays(tx, actor.id))).find(
      (c) => c.thread === at && c.discussion === record.id,
    );
    // Of a thread nothing is chosen as long as it goes with its discussion.
    const followed = isFollowed(own?.follows ?? null, at !== null || door.value.responded);
    if (chosen === 'none') {
      await setWay(tx, place, actor.id, at, { follows: false, way: null });
      await forgetFollowed(tx, { discussion: record.id, thread: at }, actor.id, deps.now);
    } else
      await setWay(tx, place, actor.id, at, {
        way: chosen === 'rule' ? null : chosen,
        // Whoever says how posts are to come wants them.
        ...(followed ? {} : { follows: true }),
      });
    const { rules } = await ask(ownRules(tx, actor.id));
    await dueAnew(tx, actor.id, rules, actor.timeZone, deps.now);
  });
  return ok(null);
}

/** Mail is sent to somebody's address again, after it came back. */
export const mailAgain = (deps: Deps, actor: Actor) => setMailOff(deps.db, actor.id, null);

/** By one press in a mail, signed in or not: its kind is sent to that person no more. Pressed twice it is done once. */
export async function lessMail(
  deps: Pick<Deps, 'db' | 'now'> & { box: Box },
  token: string,
): Promise<Result<null, NotFound>> {
  const found = lessOf(deps.box, token);
  const person = found && (await account(deps.db, found.person));
  if (!found || !person || person.ended !== null) return fail({ code: 'not-found' });
  await deps.db.transaction(async (tx) => {
    await holdRules(tx, person.id);
    const { rules } = await ask(ownRules(tx, person.id));
    const less: NoticeRules =
      found.kind === 'deadline'
        ? { ...rules, before: [] }
        : { ...rules, ways: { ...rules.ways, [found.kind]: 'here' } };
    await putRules(tx, person.id, less);
    await dueAnew(tx, person.id, less, person.timeZone, deps.now);
  });
  return ok(null);
}
