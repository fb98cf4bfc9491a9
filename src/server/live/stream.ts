import type { DiscussionId } from '@/core/ids';
import { ok, type Result } from '@/core/result';
import type { DiscussionEvent } from '@/db/queries/discussion-events';
import { enterRoom, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import type { Hub } from './hub';

/** What a listener is told of an event: which post, never what it says. */
export type Told = Pick<DiscussionEvent, 'n' | 'act' | 'post' | 'kind' | 'thread'> & { mine: boolean };

export type Listening = {
  /** Begins; the answer stops it. Null behind the seal, where nothing is told. */
  begin: ((listener: { hear: (told: Told[]) => void; ended: () => void }) => (() => void) | null) | null;
};

/** Lets somebody listen to a discussion from the event on that they know of; who may, is asked here and at each new beginning. */
export async function listenTo(
  deps: Deps & { hub: Hub },
  actor: Actor,
  slug: string,
  after: number,
  session: string | null,
): Promise<Result<Listening, NotFound>> {
  const door = await enterRoom(deps, actor, slug);
  if (!door.ok) return door;
  const { record, staff, sealed } = door.value;
  if (sealed) return ok({ begin: null });
  const id: DiscussionId = record.id;
  return ok({
    begin: ({ hear, ended }) =>
      deps.hub.join(id, {
        reader: { id: actor.id, staff },
        session,
        after: Math.min(after, record.events),
        ended,
        hear: (events) =>
          hear(
            events.map(({ n, act, post, kind, thread, author }) => ({
              n,
              act,
              post,
              kind,
              thread,
              mine: author === actor.id,
            })),
          ),
      }),
  });
}
