import { wallClockAt } from '@/core/deadlines/wallclock';
import { typedWall } from '@/core/deadlines/typed';
import {
  BLOCK_KINDS,
  joinedAt,
  mergedWith,
  promptOf,
  splitAt,
  type Block,
  type Found,
  type Merged,
} from '@/core/elsewhere/blocks';
import { isAwaited } from '@/core/elsewhere/term';
import { isBlank } from '@/core/document/flatten';
import type { DiscussionId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import type { Db } from '@/db/connection';
import { deleteIntake, dropFound, outsidePosts, updateFound } from '@/db/queries/outside';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { enterOutside } from './enter';
import { putPosts, readyPosts } from './put-posts';
import { openIntake } from './take-in';

export type FoundPage = {
  id: string;
  source: string;
  whole: string;
  found: Found;
  /** Of a newer copy: the discussion it goes into, and what each post is to it. */
  into: { slug: string; title: string; merged: Merged[] } | null;
  /** Names under which the reader may have posted. */
  you: string;
};

/** What was found on a page that was brought in, to be looked through. */
export async function foundPage(deps: Deps, actor: Actor, id: string): Promise<Result<FoundPage, NotFound>> {
  const intake = await openIntake(deps, actor, id);
  if (!intake.ok) return intake;
  const { found, source, whole, into } = intake.value;
  if (!found) return fail({ code: 'not-found' });
  const page = { id, source, whole, found, you: actor.name };
  if (!into) return ok({ ...page, into: null });
  const door = await enterOutside(deps, actor, into.slug);
  if (!door.ok) return door;
  const { record } = door.value;
  return ok({
    ...page,
    into: {
      slug: record.slug,
      title: record.title,
      merged: await mergedNow(deps.db, record.id, record.timetable.zone, found.blocks),
    },
  });
}

async function mergedNow(
  db: Db,
  discussion: DiscussionId,
  zone: string,
  blocks: readonly Block[],
): Promise<Merged[]> {
  const standing = await outsidePosts(db, discussion);
  return mergedWith(
    blocks,
    standing.map((p) => ({
      id: p.id,
      author: p.name,
      wall: wallClockAt(p.sharedAt, zone),
      plain: p.plain,
    })),
  );
}

/** What somebody says of the blocks: each field by its name and the block's place, and what to do with them. */
export type SaidOfBlocks = { get: (name: string) => string | null };

const WALL = /^\d{4}-\d\d-\d\dT\d\d:\d\d$/u;

/** The blocks as a form says they are; what it does not say stays. */
function asSaid(found: Found, said: SaidOfBlocks): Found {
  return {
    ...found,
    title: (said.get('title') ?? found.title).slice(0, 160),
    course: (said.get('course') ?? found.course).slice(0, 120),
    blocks: found.blocks.map((b, i): Block => {
      const told = said.get(`kind-${i}`);
      if (told === null) return b;
      const kind = BLOCK_KINDS.find((k) => k === told.replace(/-\d+$/u, '')) ?? b.kind;
      const answers = /^reply-(\d+)$/u.exec(told)?.[1];
      const to = kind !== 'reply' || answers === undefined ? null : Number(answers);
      const wall = typedWall(said.get(`wall-${i}`) ?? '').slice(0, 16);
      return {
        ...b,
        kind,
        author: (said.get(`author-${i}`) ?? b.author).trim().slice(0, 120),
        staff: said.get(`staff-${i}`) !== null,
        wall: WALL.test(wall) ? wall : null,
        to: to !== null && to < found.blocks.length && to !== i ? to : null,
        because: to === b.to ? b.because : null,
      };
    }),
  };
}

/** Keeps what is said of the blocks; with `act` one is joined to the one before it, or split. */
export async function sayOfBlocks(
  deps: Deps,
  actor: Actor,
  id: string,
  said: SaidOfBlocks,
  act: string,
): Promise<Result<{ newer: boolean }, NotFound>> {
  const intake = await openIntake(deps, actor, id);
  if (!intake.ok) return intake;
  if (!intake.value.found) return fail({ code: 'not-found' });
  const told = asSaid(intake.value.found, said);
  const [what, block = '', paragraph = ''] = act.split(':');
  const blocks =
    what === 'join'
      ? joinedAt(told.blocks, Number(block))
      : what === 'split'
        ? splitAt(told.blocks, Number(block), Number(paragraph))
        : told.blocks;
  const found = { ...told, blocks };
  await updateFound(deps.db, actor.id, id, found, promptOf(found));
  return ok({ newer: intake.value.into !== null });
}

/** Puts what is new and what was changed in a newer copy into its discussion. */
export async function putNewer(
  deps: Deps,
  actor: Actor,
  id: string,
): Promise<Result<{ slug: string; prompt: boolean }, NotFound>> {
  const intake = await openIntake(deps, actor, id);
  if (!intake.ok) return intake;
  const { found, into } = intake.value;
  if (!found || !into) return fail({ code: 'not-found' });
  const door = await enterOutside(deps, actor, into.slug);
  if (!door.ok) return door;
  const { record } = door.value;
  const place = {
    course: record.course.id,
    id: record.id,
    slug: record.slug,
    brief: record.brief,
    zone: record.timetable.zone,
  };
  const ready = await readyPosts(deps, actor, place, found.blocks);
  return deps.db.transaction(async (tx) => {
    const merged = await mergedNow(tx, place.id, place.zone, found.blocks);
    await putPosts(tx, deps, actor, place, ready, merged);
    // The prompt of a page, where that is still awaited, is confirmed next.
    const prompt = isAwaited(record.prompt) && !isBlank(promptOf(found));
    if (prompt) await dropFound(tx, actor.id, id);
    else await deleteIntake(tx, actor.id, id);
    return ok({ slug: place.slug, prompt });
  });
}
