import type { DiscussionId, PersonId } from '@/core/ids';
import type { Db } from '@/db/connection';
import { listen } from '@/db/listen';
import { eventsAfter, type RoomEvent } from '@/db/queries/room-events';
import { mayHear } from '../access/visible-events';

/** Somebody who hears what happens in a discussion, and how far they have heard. */
export type Listener = {
  reader: { id: PersonId; staff: boolean };
  /** The number of the last event they know of. */
  after: number;
  hear: (events: RoomEvent[]) => void;
  /** The process ends: whoever listens has to begin anew elsewhere. */
  ended: () => void;
};

export type Hub = {
  /** Begins with what happened after `listener.after`; the answer stops it. */
  join: (discussion: DiscussionId, listener: Listener) => () => void;
  /** The process ends: nobody is taken any more. */
  stopped: boolean;
  /** Ends all listening, for good. */
  stop: () => void;
};

type Room = { listeners: Set<Listener>; walking: boolean; again: boolean };

const AGAIN_AFTER_MS = 1_000;
/** More at once are fetched in further rounds. */
const MOST_AT_ONCE = 500;

/**
 * Carries what happens in discussions to those who listen in this process. The database tells that something happened, not
 * what: each room then asks once for all its listeners what came after the last they heard, one walk at a time, so nobody
 * misses an event, hears one twice or out of order, whichever process made it and however often the connection was lost.
 */
export function liveHub(db: Db, databaseUrl: string): Hub {
  const rooms = new Map<string, Room>();
  let stopListening: (() => void) | null = null;

  const round = async (discussion: DiscussionId, { listeners }: Room): Promise<boolean> => {
    const from = Math.min(...[...listeners].map((l) => l.after));
    const events = await eventsAfter(db, discussion, from, MOST_AT_ONCE);
    const last = events.at(-1);
    if (!last) return false;
    for (const listener of listeners) {
      // Who joined with an older number while this was asked for hears it in the next round.
      if (listener.after < from) continue;
      const heard = events.filter((e) => e.n > listener.after && mayHear(e, listener.reader));
      listener.after = Math.max(listener.after, last.n);
      if (heard.length) listener.hear(heard);
    }
    return events.length === MOST_AT_ONCE;
  };

  const walk = async (discussion: DiscussionId, room: Room) => {
    room.again = true;
    if (room.walking) return;
    room.walking = true;
    try {
      while (room.again && room.listeners.size > 0) {
        room.again = false;
        if (await round(discussion, room)) room.again = true;
      }
    } catch {
      // The database could not be asked: everything since is asked for once more in a while.
      setTimeout(() => void walk(discussion, room), AGAIN_AFTER_MS).unref();
    } finally {
      room.walking = false;
    }
  };

  const start = () =>
    listen(databaseUrl, 'room', {
      told: (discussion) => {
        const room = rooms.get(discussion);
        if (room) void walk(discussion as DiscussionId, room);
      },
      ready: () => {
        for (const [discussion, room] of rooms) void walk(discussion as DiscussionId, room);
      },
    });

  const hub: Hub = {
    stopped: false,
    join(discussion, listener) {
      stopListening ??= start();
      const room = rooms.get(discussion) ?? { listeners: new Set(), walking: false, again: false };
      rooms.set(discussion, room);
      room.listeners.add(listener);
      void walk(discussion, room);
      return () => {
        room.listeners.delete(listener);
        if (room.listeners.size === 0 && rooms.get(discussion) === room) rooms.delete(discussion);
      };
    },
    stop() {
      hub.stopped = true;
      stopListening?.();
      for (const { listeners } of rooms.values()) for (const { ended } of [...listeners]) ended();
      rooms.clear();
    },
  };
  return hub;
}
