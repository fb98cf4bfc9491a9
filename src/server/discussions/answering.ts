import type { OpenDraft } from '@/contract/discussion';
import type { Compared } from '@/core/drafts/difference';
import type { Refusal } from '@/core/counting/permission';
import { isStaff, type Instant, type PersonId, type PostId } from '@/core/ids';
import { emptyDocument } from '@/core/document/document';
import type { Doc } from '@/core/document/nodes';
import { draftFor } from '@/db/queries/drafts';
import { promptPlain } from '@/db/queries/material';
import { versionOfPost } from '@/db/queries/post-versions';
import { plainTexts, type PostOutline, type PostRecord } from '@/db/queries/posts';
import type { Entered } from '../access/enter';
import { refused } from '../access/refused';
import type { Actor, Deps } from '../deps';
import type { Earlier } from '@/core/substance/repeated';
import { givenTo } from '../posts/given';
import { earlierReplies } from './repeats';
import { compareFor } from '../drafts/compare';
import { openDraft } from '../drafts/open';

/** The facing page: the post being answered and the draft of the answer. */
export type ReplyPage = {
  answering: {
    id: PostId;
    person: PersonId;
    name: string;
    staff: boolean;
    self: boolean;
    plain: string;
    title: string;
    doc: Doc;
    privateTo: string | null;
    /** Which of its versions is read. */
    n: number;
  };
  /** The post was changed after the draft was begun: when, and what differs, where that can be said. */
  changed: { at: Instant; compared: Compared | null } | null;
  draft: OpenDraft;
  refused: Refusal | null;
  /** What the substance of the reply is judged against, beside the post: by its writer's browser, for nobody else. */
  about: { prompt: string; others: string[]; earlier: Earlier[] };
};

/** The post that was to be answered is gone, and there is a draft of the answer. */
export type Stranded = { name: string; draft: Doc };

/** So many other responses, and so much of each, say what the class has said already. */
const OTHERS = 6;
const OTHERS_LENGTH = 600;

async function othersOf(deps: Deps, posts: readonly PostOutline[], asked: PostRecord): Promise<string[]> {
  const others = posts
    .filter(
      (p) =>
        p.kind === 'response' && p.id !== asked.id && p.author.id !== asked.author.id && p.opening !== '',
    )
    .slice(0, OTHERS)
    .map((p) => p.id);
  const texts = await plainTexts(deps.db, others);
  return others.map((id) => (texts.get(id) ?? '').slice(0, OTHERS_LENGTH));
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
  room: { posts: readonly PostOutline[]; asked: PostRecord; locked: boolean },
): Promise<{ reply: ReplyPage | null; stranded: Stranded | null }> {
  const { record } = entered;
  const { asked } = room;
  const kept = await draftFor(deps.db, {
    author: actor.id,
    discussion: record.id,
    kind: 'reply',
    parent: asked.id,
  });
  if (asked.withdrawn || asked.hidden)
    return { reply: null, stranded: kept && { name: asked.author.name, draft: kept.doc } };
  const reply: ReplyPage = {
    answering: {
      id: asked.id,
      person: asked.author.id,
      name: asked.author.name,
      staff: isStaff(asked.author.role),
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
    refused: refused(deps, entered, 'reply', room.locked),
    about: {
      prompt: promptPlain(record.prompt, record.brief),
      others: await othersOf(deps, room.posts, asked),
      earlier: await earlierReplies(deps, room.posts, actor.id, asked.id),
    },
  };
  return { reply, stranded: null };
}
