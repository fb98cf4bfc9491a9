import { summarise } from '@/core/counting/summary';
import { personId, postId } from '@/core/ids';
import { stepsFrom, type Arrangement } from '@/core/posts/arrange';
import { type ThreadFilter } from '@/core/posts/filters';
import { isFollowed } from '@/core/posts/following';
import { ok, type Result } from '@/core/result';
import { worthAnswering } from '@/core/worth/rank';
import { promptPlain } from '@/db/queries/material';
import { readsAs } from '@/db/queries/people';
import { plainTexts, type PostOutline } from '@/db/queries/posts';
import { enterDiscussion, type Entered, type NotFound } from '../access/enter';
import { openingSeal } from '../access/seal-opening';
import { visiblePosts } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';
import { findIn } from '../find/find';
import { repeatsAmong } from './repeats';
import { replyPage } from './answering';
import { headOf } from './head';
import { linesOf, listed } from './lines';
import { loadConversation } from './load-conversation';
import { isUnreadFor, type LoadedConversation } from './loaded-conversation';
import type { Conversation } from '@/contract/conversation-view';
import { onPage } from './on-page';
import { toRead, authorsOf } from './read-posts';

/** What a person asks for: all of it stands in the address, and what does not is as they read last. */
export type ConversationAsk = {
  post: number | null;
  filter: ThreadFilter | null;
  by?: string | null;
  person?: string | null;
  as?: Arrangement | null;
  newestFirst?: boolean | null;
  page?: number | null;
  /** Words to be found in the posts. */
  words?: string | null;
};

/** Of more posts that were found, the beginning is shown. */
const MOST_PASSAGES = 40;
/** What a name leads to: its owner's response here, or what else there is of theirs. */
const writtenBy = (posts: readonly PostOutline[], person: string | null): PostOutline | null =>
  posts.find((p) => p.author.id === person && p.kind === 'response') ??
  posts.find((p) => p.author.id === person) ??
  null;

/** Whose part staff can mark from here: whoever wrote the open response, where that is a student. */
const markedHere = (entered: Entered, response: PostOutline | undefined): Conversation['marking'] =>
  entered.staff &&
  !entered.record.course.outside &&
  !entered.record.asks &&
  response?.author.role === 'student'
    ? { id: response.author.id, name: response.author.name }
    : null;

/** Ranks the responses one could answer; only for this their texts are read. */
const weighing =
  (deps: Deps, loaded: LoadedConversation, prompt: string) =>
  async (open: Parameters<Parameters<typeof listed>[2]>[0]) => {
    const { reader, entered, posts } = loaded;
    const { brief } = entered.record;
    const own = posts.find(
      (p) => p.author.id === reader && p.kind === 'response' && !p.withdrawn && !p.hidden,
    );
    const texts = await plainTexts(deps.db, [...open.map((c) => c.post), ...(own ? [own.id] : [])]);
    return worthAnswering(
      {
        id: reader,
        text: own ? (texts.get(own.id) ?? null) : null,
        prompt,
        concepts: brief.concepts,
        distinctPeers: brief.replies.distinctPeers,
      },
      open.map((c) => ({ ...c, text: texts.get(c.post) ?? '' })),
    );
  };

/**
 * The Conversation: what one may read in it, arranged and narrowed as one asks, one post of it open, and the page to
 * answer that on. Behind the seal there is nothing to open: the answer holds no post at all, whatever number the address
 * asks for. Texts are read for the page that is shown and for nothing else.
 */
export async function conversation(
  deps: Deps,
  actor: Actor,
  slug: string,
  ask: ConversationAsk,
): Promise<Result<Conversation, NotFound>> {
  const door = await enterDiscussion(deps, actor, slug);
  if (!door.ok) return door;
  return ok(await conversationIn(deps, actor, await openingSeal(deps, actor, door.value), ask));
}

/** The same of a discussion, or of the questions of a course, that somebody has entered; `room` is what is loaded of it already. */
export async function conversationIn(
  deps: Deps,
  actor: Actor,
  entered: Entered,
  ask: ConversationAsk,
  room = loadConversation(deps, actor, entered),
): Promise<Conversation> {
  const { record, staff, responded } = entered;
  const head = headOf(deps, entered);
  const [{ loaded, events, followsAll }, habit] = await Promise.all([room, readsAs(deps.db, actor.id)]);
  const { posts } = loaded;
  const asked =
    ask.post === null
      ? writtenBy(posts, ask.by ?? null)
      : (loaded.branches.get(postId(ask.post))?.post ?? null);
  const at = asked && loaded.branches.has(asked.id) ? asked.id : null;
  const root = at === null ? undefined : loaded.branches.get(loaded.rootOf.get(at) ?? at);
  const as = ask.as ?? habit.as;
  const newestFirst = ask.newestFirst ?? habit.newestFirst;
  const owing = head.ledger !== null && summarise(head.ledger, deps.now).owedReplies > 0;
  const prompt = promptPlain(record.prompt, record.brief);
  const words = ask.words?.trim() ?? '';
  const readable = new Set(posts.map((p) => p.id));
  const found = words ? await findIn(deps, actor, entered, readable, words) : null;
  const list = await listed(
    loaded,
    {
      as,
      newestFirst,
      filter: words ? 'found' : ask.filter === 'found' ? null : ask.filter,
      found: found?.posts ?? new Set(),
      person: ask.person ? personId(ask.person) : null,
      open: root?.post.id ?? null,
      owing,
    },
    weighing(deps, loaded, prompt),
  );

  const shown = onPage(loaded, list, { as, root, at, page: ask.page ?? null });
  const wanted = at === null || shown.withText.includes(at) ? shown.withText : [...shown.withText, at];
  const [texts, passages] = await Promise.all([
    visiblePosts(deps.db, actor, entered, wanted).then((read) => new Map(read.map((p) => [p.id, p]))),
    found ? found.passages(shown.lines.slice(0, MOST_PASSAGES).map((b) => b.post.id)) : new Map(),
  ]);
  const read = shown.withText.flatMap((id) => texts.get(id) ?? []);
  const repeats = await repeatsAmong(deps, staff, posts, read);
  const open = at === null ? undefined : texts.get(at);
  const person = posts.find((p) => p.author.id === ask.person)?.author;
  const { reply, orphaned } =
    open && root
      ? await replyPage(deps, actor, entered, { posts, asked: open, locked: root.post.locked })
      : { reply: null, orphaned: null };
  return {
    head,
    as,
    newestFirst,
    habit,
    filter: list.filter,
    standard: list.standard,
    counts: list.counts,
    words,
    person: person ? { id: person.id, name: person.name } : null,
    lines: linesOf(loaded, list, shown.lines, shown.ofPosts ? 'posts' : 'threads', passages),
    posts: read.map((p) => toRead(p, { loaded, entered, repeats })),
    page: shown.page,
    open:
      at !== null && root && open
        ? {
            at,
            thread: root.post.id,
            followed: loaded.followed.has(root.post.id),
          }
        : null,
    authors: authorsOf(loaded, new Set(read.map((p) => p.author.id))),
    steps: stepsFrom(shown.walk, at, (id) => {
      const post = loaded.branches.get(id)?.post;
      return post !== undefined && isUnreadFor(post, actor.id);
    }),
    followsDiscussion: isFollowed(followsAll, responded),
    followed: [...loaded.followed],
    events,
    reply,
    orphaned,
    ledgerInput: entered.ledgerInput,
    marking: markedHere(entered, root?.post),
  };
}
