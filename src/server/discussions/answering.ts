import { isStaff } from '@/core/ids';
import { emptyDocument } from '@/core/document/document';
import { draftFor } from '@/db/queries/drafts';
import { promptPlain } from '@/db/queries/material';
import { versionOfPost } from '@/db/queries/post-versions';
import { plainTexts, type PostOutline, type PostRecord } from '@/db/queries/posts';
import type { Entered } from '../access/enter';
import { refused } from '../access/refused';
import type { Actor, Deps } from '../deps';
import { givenTo } from '../posts/given';
import { earlierReplies } from './repeats';
import { compareFor } from '../drafts/compare';
import { openDraft } from '../drafts/open';
import { COVERED } from '@/contract/thread';
import type { ReplyPage, OrphanedDraft } from '@/contract/conversation-view';

/** So many other responses, and so much of each, say what the class has said already. */
export const OTHERS = { others: 6, length: 600 } as const;

async function othersOf(deps: Deps, posts: readonly PostOutline[], asked: PostRecord): Promise<string[]> {
  const others = posts
    .filter(
      (p) =>
        p.kind === 'response' && p.id !== asked.id && p.author.id !== asked.author.id && p.opening !== '',
    )
    .slice(0, OTHERS.others)
    .map((p) => p.id);
  const texts = await plainTexts(deps.db, others);
  return others.map((id) => (texts.get(id) ?? '').slice(0, OTHERS.length));
}

/** How a post stood when its answer was begun, where it has been changed since: its writer has read that text. */
async function changedSince(
  deps: Deps,
  actor: Actor,
  post: PostRecord,
  begunOn: number | null,
): Promise<ReplyPage['changed']> {
  if (begunOn === null || begunOn >= post.n) return null;
  const before = await versionOfPost(deps.db, post.id, begunOn);
  if (!before?.changedAt) return null;
  const { title, doc, changedAt: at } = before;
  return { at, compared: await compareFor(deps, actor, { title, doc }, post, true) };
}

/** The page to answer a post on; of a post that is gone, what had been begun. */
export async function replyPage(
  deps: Deps,
  actor: Actor,
  entered: Entered,
  loaded: { posts: readonly PostOutline[]; asked: PostRecord; locked: boolean },
): Promise<{ reply: ReplyPage | null; orphaned: OrphanedDraft | null }> {
  const { record } = entered;
  const { asked } = loaded;
  const kept = await draftFor(deps.db, {
    author: actor.id,
    discussion: record.id,
    kind: 'reply',
    parent: asked.id,
  });
  if (asked.withdrawn || asked.hidden)
    return { reply: null, orphaned: kept && { name: asked.author.name, draft: kept.doc } };
  const reply: ReplyPage = {
    answering: {
      id: asked.id,
      person: asked.author.id,
      // What answers whoever is covered does not say their name.
      name: asked.underCover && asked.author.id !== actor.id ? COVERED : asked.author.name,
      staff: isStaff(asked.author.role),
      side: asked.author.side,
      self: asked.author.id === actor.id,
      plain: asked.plain,
      title: asked.title,
      doc: asked.doc,
      privateTo: asked.privateTo?.name ?? null,
      n: asked.n,
    },
    changed: kept && (await changedSince(deps, actor, asked, kept.answeredN)),
    draft: await openDraft(
      deps,
      actor,
      kept,
      { title: '', doc: emptyDocument },
      {
        kind: 'reply',
        brief: record.brief,
        answered: asked,
        given: await givenTo(deps.db, actor, entered, 'reply', asked),
      },
    ),
    refused: refused(deps, entered, 'reply', loaded.locked),
    about: {
      prompt: promptPlain(record.prompt, record.brief),
      others: await othersOf(deps, loaded.posts, asked),
      earlier: await earlierReplies(deps, loaded.posts, actor.id, asked.id),
    },
  };
  return { reply, orphaned: null };
}
