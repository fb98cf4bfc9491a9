import { randomUUID } from 'node:crypto';
import type { Brief } from '@/core/brief/brief';
import { plainText, isBlank } from '@/core/document/flatten';
import { inOrder, type Block, type Merged } from '@/core/elsewhere/blocks';
import { isOwnName } from '@/core/elsewhere/names';
import {
  personId,
  type CourseId,
  type DiscussionId,
  type Instant,
  type PersonId,
  type PostId,
} from '@/core/ids';
import { fingerprintText } from '@/core/posts/canonical';
import type { Db } from '@/db/connection';
import { markPasted, outsidePosts, toldPerson } from '@/db/queries/outside';
import { insertPost, insertVersion, lockSharing, nextPostId } from '@/db/queries/sharing';
import type { Actor, Deps } from '../deps';
import { figuresOf } from '../posts/check-text';
import { sha256 } from '../posts/fingerprint';
import { timeSaid } from './time-said';

type Place = { course: CourseId; id: DiscussionId; slug: string; brief: Brief; zone: string };
type Ready = {
  block: Block;
  index: number;
  to: number | null;
  at: Instant;
  mine: boolean;
  figures: Awaited<ReturnType<typeof figuresOf>>;
};

/** The posts among the blocks with their figures: measured before anything is written. */
export async function readyPosts(
  deps: Deps,
  actor: Actor,
  place: Pick<Place, 'brief' | 'zone'>,
  blocks: readonly Block[],
): Promise<Ready[]> {
  const names = blocks.map((b) => b.author);
  const ready: Ready[] = [];
  for (const { block: index, to } of inOrder(blocks)) {
    const block = blocks[index];
    if (!block || isBlank(block.doc)) continue;
    const over = to === null ? null : (blocks[to] ?? null);
    const kind = to === null ? ('response' as const) : ('reply' as const);
    const answered = over && { author: { name: over.author }, plain: plainText(over.doc) };
    const figures = await figuresOf(deps, actor, {
      brief: place.brief,
      kind,
      title: block.title,
      doc: block.doc,
      answered,
    });
    ready.push({
      block,
      index,
      to,
      at: timeSaid(deps.now, place.zone, block.wall),
      mine: isOwnName(block.author, actor.name, names),
      figures,
    });
  }
  return ready;
}

/**
 * Puts posts that were found on a page into an outside discussion. Those of its student count as posted there at the time the page says; all others are
 * only read. What stands already stays as it is, or gets the new text as a further version.
 */
export async function putPosts(
  tx: Db,
  deps: Deps,
  actor: Actor,
  place: Place,
  ready: readonly Ready[],
  /** Of a newer copy: what each post is to those that stand. Without it all are new, and read by who brought them in. */
  merged: readonly Merged[] | null = null,
) {
  await lockSharing(tx, actor.id, place.id);
  const standing = new Map((await outsidePosts(tx, place.id)).map((p) => [p.id as number, p]));
  const ids = new Map<number, PostId>();
  // Whoever posted there answers the prompt once.
  let responded = [...standing.values()].some((p) => p.author === actor.id && p.kind === 'response');
  for (const post of ready) {
    const known = merged?.find((m) => m.block === post.index);
    const stands = known?.post ? standing.get(known.post) : undefined;
    if (stands) {
      ids.set(post.index, stands.id);
      if (known?.what === 'changed')
        await addVersion(
          tx,
          place,
          stands.author,
          stands.id,
          stands.n + 1,
          post,
          deps.now,
          stands.author === actor.id,
        );
      continue;
    }
    const parent = post.to === null ? null : (ids.get(post.to) ?? null);
    const own = post.mine && (parent !== null || !responded);
    if (own && parent === null) responded = true;
    const author = own
      ? actor.id
      : await toldPerson(
          tx,
          place.course,
          { id: actor.id, zone: actor.timeZone },
          { id: personId(randomUUID()), name: post.block.author, staff: post.block.staff },
        );
    const id = await nextPostId(tx);
    await insertPost(tx, id, {
      course: place.course,
      discussion: place.id,
      author,
      kind: parent === null ? 'response' : 'reply',
      parent,
      privateTo: null,
      covered: false,
      groupOf: null,
      submission: randomUUID(),
      now: post.at,
      notedAt: deps.now,
    });
    await addVersion(tx, place, author, id, 1, post, post.at, own);
    if (!own && merged === null)
      await markPasted(
        tx,
        { course: place.course, discussion: place.id, person: actor.id, post: id },
        deps.now,
      );
    ids.set(post.index, id);
  }
}

async function addVersion(
  tx: Db,
  place: Place,
  author: PersonId,
  id: PostId,
  n: number,
  post: Ready,
  at: Instant,
  own = false,
) {
  const { block, to, figures } = post;
  const title = to === null ? block.title : '';
  await insertVersion(tx, id, {
    n,
    now: at,
    title,
    doc: block.doc,
    plain: plainText(block.doc),
    ownWords: figures.ownWords,
    // A classmate's post is not measured: only its author owes anything.
    checks: own ? figures.checks : [],
    unmet: own ? figures.unmet : [],
    fingerprint: sha256(
      fingerprintText({ id, author, discussion: place.slug, sharedAt: at, title, doc: block.doc }),
    ),
  });
}
