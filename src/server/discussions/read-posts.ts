import type { PostOfAuthor } from '@/contract/conversation-view';
import { COVERED, type ReadPost } from '@/contract/thread';
import { pictureAt } from '@/contract/addresses';
import type { PersonId, PostId } from '@/core/ids';
import type { Reactions } from '@/core/posts/reactions';
import type { PostRecord } from '@/db/queries/posts';
import type { Entered } from '../access/enter';
import { isUnreadFor, openingOf, type LoadedConversation } from './loaded-conversation';

/** What stands beside a name that others do not see. */
const coverText = (own: boolean) => (own ? 'your name is covered here' : 'the class does not see this name');

const NO_REACTIONS: Reactions = { wellSaid: 0, saidByMe: false, bookmarked: false };

/** More of somebody's posts stand on no card; the filter by person shows all. */
const POSTS_ON_CARD = 6;

type Reading = { loaded: LoadedConversation; entered: Entered; repeats: ReadonlyMap<PostId, string> };

const faceOf = ({ id, picture }: { id: PersonId; picture: string | null }) =>
  picture && pictureAt(id, { v: picture });

/** A post as it is read, by one reader. */
export function toRead(post: PostRecord, { loaded, entered, repeats }: Reading): ReadPost {
  const branch = loaded.branches.get(post.id);
  const own = post.author.id === loaded.reader;
  return {
    id: post.id,
    depth: branch?.depth ?? 0,
    kind: post.kind,
    author: { ...post.author, picture: faceOf(post.author) },
    mine: own,
    underCover: post.underCover && post.author.name !== COVERED ? coverText(own) : null,
    to: post.parent === null ? null : (loaded.branches.get(post.parent)?.post.author.name ?? null),
    parent: post.parent,
    privateTo: post.privateTo?.name ?? null,
    sharedAt: post.sharedAt,
    edited: post.edited,
    title: post.title,
    doc: post.doc,
    ownWords: post.ownWords,
    gone: post.withdrawn ? 'withdrawn' : post.hidden ? 'hidden' : null,
    hiddenReason: own || entered.staff ? post.hiddenReason : '',
    pinned: post.pinned,
    locked: post.locked,
    unread: isUnreadFor(post, loaded.reader),
    reactions: loaded.reactions.get(post.id) ?? NO_REACTIONS,
    repeats: repeats.get(post.id) ?? null,
  };
}

/** What else the speakers have written in the discussion, the first of it. */
export function authorsOf(
  loaded: LoadedConversation,
  speakers: ReadonlySet<PersonId>,
): Record<PersonId, PostOfAuthor[]> {
  const found: Record<PersonId, PostOfAuthor[]> = {};
  for (const post of loaded.posts) {
    if (!speakers.has(post.author.id) || post.withdrawn || post.hidden) continue;
    const theirs = (found[post.author.id] ??= []);
    if (theirs.length === POSTS_ON_CARD) continue;
    const to = post.parent === null ? null : (loaded.branches.get(post.parent)?.post.author.name ?? null);
    theirs.push({ id: post.id, kind: post.kind, opening: openingOf(post), to });
  }
  return found;
}
