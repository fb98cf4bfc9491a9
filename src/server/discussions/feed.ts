import type { DiscussionHead } from '@/contract/discussion';
import { postsStreamAt } from '@/contract/addresses';
import type { ExportedPost } from '@/core/formats/discussion-export';
import { fail, ok, type Result } from '@/core/result';
import {
  deleteDiscussionFeed,
  discussionFeedOf,
  discussionFeedReader,
  makeDiscussionFeed,
  noteDiscussionFeedRead,
} from '@/db/queries/discussion-feeds';
import { enterDiscussion, type Entered, type NotFound } from '../access/enter';
import { addressOfFeed, type FeedAddress } from '../calendar/feed';
import { timeWith, type Clock } from '../clock/clock';
import type { Actor, Deps } from '../deps';
import { hashOf, newToken } from '../secrets/tokens';
import { postsToTake } from './export';
import { headOf } from './head';

export type DiscussionFeed = {
  slug: string;
  title: string;
  course: string;
  zone: string;
  sealed: boolean;
  /** The newest first; what is gone is not among them. */
  posts: ExportedPost[];
};

/** A reader of feeds keeps what it has: the newest are enough. */
const MOST = 60;

/**
 * The feed of a discussion behind a secret address, as of now: what its page would show its owner. Behind the seal it holds no
 * post; an address that was revoked, and one whose owner has left the course, is not found.
 */
export async function readDiscussionFeed(
  db: Deps['db'],
  clock: Clock,
  token: string,
): Promise<Result<DiscussionFeed, NotFound>> {
  const reader = await discussionFeedReader(db, hashOf(token));
  if (!reader) return fail({ code: 'not-found' });
  const deps = { db, now: timeWith(clock, reader.clockOffset) };
  const { person: id, name, timeZone, slug } = reader;
  const actor: Actor = { id, name, timeZone, previousVisit: null };
  const door = await enterDiscussion(deps, actor, slug);
  if (!door.ok) return door;
  const { record, sealed, schedule } = door.value;
  const posts = await postsToTake(deps, actor, door.value);
  await noteDiscussionFeedRead(db, hashOf(token), deps.now);
  return ok({
    slug,
    title: record.title,
    course: record.course.code,
    zone: schedule.zone,
    sealed,
    posts: posts
      .filter((p) => !p.gone)
      .sort((a, b) => b.changedAt - a.changedAt || b.id - a.id)
      .slice(0, MOST),
  });
}

const ownerOf = ({ record }: Entered, actor: Actor) => ({
  course: record.course.id,
  discussion: record.id,
  person: actor.id,
});

export type ExportPage = { head: DiscussionHead; feed: FeedAddress | null };

/** What stands on the page of a discussion from where it is taken along. */
export async function exportPage(
  deps: Deps,
  actor: Actor,
  slug: string,
  token: string | null,
): Promise<Result<ExportPage, NotFound>> {
  const door = await enterDiscussion(deps, actor, slug);
  if (!door.ok) return door;
  const feed = await discussionFeedOf(deps.db, ownerOf(door.value, actor));
  return ok({
    head: headOf(deps, door.value),
    feed: feed && addressOfFeed(feed, token, postsStreamAt),
  });
}

/** Makes the secret address of a discussion's feed in place of one that was there, and answers with what is secret in it; or stops it. */
export async function changeDiscussionFeed(
  deps: Deps,
  actor: Actor,
  slug: string,
  wish: 'make' | 'revoke',
): Promise<Result<{ token: string | null }, NotFound>> {
  const door = await enterDiscussion(deps, actor, slug);
  if (!door.ok) return door;
  const owner = ownerOf(door.value, actor);
  if (wish === 'revoke') {
    await deleteDiscussionFeed(deps.db, owner);
    return ok({ token: null });
  }
  const token = newToken();
  await makeDiscussionFeed(deps.db, owner, hashOf(token), deps.now);
  return ok({ token });
}
