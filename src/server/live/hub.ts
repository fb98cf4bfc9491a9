import type { DiscussionId, PersonId } from '@/core/ids';
import type { Db } from '@/db/connection';
import { listen } from '@/db/listen';
import { livingSessions } from '@/db/queries/people';
import { eventsAfter, type DiscussionEvent } from '@/db/queries/discussion-events';
import { mayHear } from '../access/visible-events';

/** Somebody who hears what happens in a discussion, and how far they have heard. */
export type Listener = {
  reader: { id: PersonId; staff: boolean };
  /** The session they listen by: when it is over, so is the listening. Null for a program, which has none. */
  session: string | null;
  /** The number of the last event they know of. */
  after: number;
  hear: (events: DiscussionEvent[]) => void;
  /** The process or the session ends: whoever listens has to begin anew. */
  ended: () => void;
};

export type Hub = {
  /** Begins with what happened after `listener.after`; the answer stops it. Null for who listens often enough already. */
  join: (discussion: DiscussionId, listener: Listener) => (() => void) | null;
  /** The process ends: nobody is taken any more. */
  stopped: boolean;
  /** Ends all listening, for good. */
  stop: () => void;
};

type Audience = { listeners: Set<Listener>; walking: boolean; again: boolean };

const AGAIN_AFTER_MS = 1_000;
/** Windows of one person that listen through this process. */
const MOST_OF_A_PERSON = 12;
/** How long a stream may outlive its session. */
const LOOK_MS = 5_000;
/** More at once are fetched in further rounds. */
const MOST_AT_ONCE = 500;

/**
 * Carries what happens in discussions to those who listen in this process. The database tells that something happened, not
 * what: each audience then asks once for all its listeners what came after the last they heard, one walk at a time, so nobody
 * misses an event, hears one twice or out of order, whichever process made it and however often the connection was lost.
 */
export function liveHub(db: Db, databaseUrl: string): Hub {
  const audiences = new Map<string, Audience>();
  let stopListening: (() => void) | null = null;

  const round = async (discussion: DiscussionId, { listeners }: Audience): Promise<boolean> => {
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

  const walk = async (discussion: DiscussionId, audience: Audience) => {
    audience.again = true;
    if (audience.walking) return;
    audience.walking = true;
    try {
      while (audience.again && audience.listeners.size > 0) {
        audience.again = false;
        if (await round(discussion, audience)) audience.again = true;
      }
    } catch {
      // The database could not be asked: everything since is asked for once more in a while.
      setTimeout(() => void walk(discussion, audience), AGAIN_AFTER_MS).unref();
    } finally {
      audience.walking = false;
    }
  };

  const start = () =>
    listen(databaseUrl, 'discussion', {
      told: (discussion) => {
        const audience = audiences.get(discussion);
        if (audience) void walk(discussion as DiscussionId, audience);
      },
      ready: () => {
        for (const [discussion, audience] of audiences) void walk(discussion as DiscussionId, audience);
      },
    });

  let looking: NodeJS.Timeout | null = null;
  const everybody = () => [...audiences.values()].flatMap(({ listeners }) => [...listeners]);
  const of = (person: PersonId) => everybody().filter((l) => l.reader.id === person);

  /** Ends the streams of sessions that are over: one question for all of them. */
  const endOver = async () => {
    const listening = everybody().flatMap((l) =>
      l.session === null ? [] : [{ session: l.session, ended: l.ended }],
    );
    if (listening.length === 0) return;
    try {
      const living = await livingSessions(db, [...new Set(listening.map((l) => l.session))]);
      for (const l of listening) if (!living.has(l.session)) l.ended();
    } catch {
      // The database could not be asked: it is asked again in a while.
    }
  };

  const hub: Hub = {
    stopped: false,
    join(discussion, listener) {
      if (of(listener.reader.id).length >= MOST_OF_A_PERSON) return null;
      stopListening ??= start();
      looking ??= setInterval(() => void endOver(), LOOK_MS).unref();
      const audience = audiences.get(discussion) ?? { listeners: new Set(), walking: false, again: false };
      audiences.set(discussion, audience);
      audience.listeners.add(listener);
      void walk(discussion, audience);
      return () => {
        audience.listeners.delete(listener);
        if (audience.listeners.size === 0 && audiences.get(discussion) === audience)
          audiences.delete(discussion);
      };
    },
    stop() {
      hub.stopped = true;
      stopListening?.();
      if (looking) clearInterval(looking);
      for (const { listeners } of audiences.values()) for (const { ended } of [...listeners]) ended();
      audiences.clear();
    },
  };
  return hub;
}
