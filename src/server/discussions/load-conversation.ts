import { followsOf } from '@/db/queries/follows';
import { reactionsOf } from '@/db/queries/reactions';
import type { Entered } from '../access/enter';
import { visibleOutlines } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';
import { loadedFrom } from './loaded-conversation';

/** Everything of a conversation that one may read, without its texts, with what one follows in it. */
export async function loadConversation(deps: Deps, actor: Actor, entered: Entered) {
  const { record } = entered;
  const [{ posts, events }, reactions, follows] = await Promise.all([
    visibleOutlines(deps.db, actor, entered),
    reactionsOf(deps.db, { course: record.course.id, discussion: record.id }, actor.id),
    followsOf(deps.db, record.id, actor.id),
  ]);
  return {
    loaded: loadedFrom(actor.id, entered, posts, reactions, follows.threads),
    events,
    followsAll: follows.discussion,
  };
}
