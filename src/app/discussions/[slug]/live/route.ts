import { z } from 'zod';
import { app } from '@/runtime/app';
import { listenTo, type Listening } from '@/server/live/stream';
import { content } from '../../../_request/endpoint';

export const dynamic = 'force-dynamic';

/** So that what stands between does not take a silent connection for a dead one. */
const BEAT_MS = 20_000;
/** Then the browser begins anew, and who may listen is asked again. */
const LONGEST_MS = 10 * 60_000;

const after = z.coerce.number().int().nonnegative().catch(0);

/**
 * What happens in a discussion, as server-sent events: each has the number of the last event it tells of, from which the
 * browser goes on when it was cut off.
 */
export const GET = content<'slug'>('read posts', async ({ visitor, params: { slug }, request }) => {
  const who = await visitor();
  if (!who) return new Response(null, { status: 401 });
  const { hub } = app();
  // Over a connection that is still open somebody may ask again while the process ends.
  if (hub.stopped) return new Response(null, { status: 503, headers: { connection: 'close' } });
  const asked = new URL(request.url).searchParams.get('after');
  const resumed = request.headers.get('last-event-id');
  const listening = await listenTo(
    { ...who.deps, hub },
    who.actor,
    slug,
    after.parse(resumed ?? asked),
    who.session,
  );
  if (!listening.ok) return new Response(null, { status: 404 });
  // No content tells a browser not to ask again.
  const { begin } = listening.value;
  if (!begin) return new Response(null, { status: 204 });
  const events = stream(begin, request.signal);
  // A browser does not ask again after this; its window goes on without what is live.
  if (!events) return new Response(null, { status: 429 });
  return new Response(events, {
    headers: {
      'content-type': 'text/event-stream; charset=utf-8',
      // Whoever compresses on the way would hold lines back.
      'cache-control': 'no-cache, no-transform',
      'x-accel-buffering': 'no',
    },
  });
});

function stream(
  begin: NonNullable<Listening['begin']>,
  signal: AbortSignal,
): ReadableStream<Uint8Array> | null {
  const text = new TextEncoder();
  let say = (line: string): void => void waiting.push(line);
  let close = () => {};
  const waiting: string[] = [];
  const leave = begin({
    hear: (told) => {
      const last = told.at(-1);
      if (last) say(`id: ${last.n}\nevent: told\ndata: ${JSON.stringify(told)}\n\n`);
    },
    ended: () => close(),
  });
  if (!leave) return null;
  let stop = leave;
  return new ReadableStream({
    start(controller) {
      say = (line) => controller.enqueue(text.encode(line));
      close = () => {
        stop();
        controller.close();
      };
      const beat = setInterval(() => say(': here\n\n'), BEAT_MS);
      const end = setTimeout(close, LONGEST_MS);
      stop = () => {
        leave();
        clearInterval(beat);
        clearTimeout(end);
        signal.removeEventListener('abort', stop);
      };
      signal.addEventListener('abort', stop);
      say('retry: 2000\n\n');
      for (const line of waiting) say(line);
    },
    cancel() {
      stop();
    },
  });
}
