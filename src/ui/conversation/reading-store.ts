import { markingRead } from '@/contract/conversation';
import { call } from '../request/call';

/**
 * What was read or set back in this window since the page was rendered, and its way to the server. The page's own
 * marks come from the server; these stand over them until the next rendering knows them too. Marks are sent in
 * bundles, again if the server did not answer, and for the last time when the page is left.
 */
type Mark = { slug: string; post: number; read: boolean };

const marks = new Map<number, boolean>();
const waiting = new Map<number, Mark>();
const listeners = new Set<() => void>();
let timer: ReturnType<typeof setTimeout> | null = null;
const SEND_AFTER_MS = 600;
const AGAIN_AFTER_MS = 5_000;

async function send(slug: string, read: boolean, posts: number[]): Promise<boolean> {
  const answer = await call(markingRead, { slug }, { posts, read }, { keepalive: true });
  // Refused is answered: trying again would be refused again.
  return answer.ok || (answer.code !== 'no-answer' && answer.code !== 'unexpected');
}

async function flush() {
  if (timer) clearTimeout(timer);
  timer = null;
  const batch = [...waiting.values()];
  waiting.clear();
  const bundles = new Map<string, Mark[]>();
  for (const mark of batch) {
    const key = `${mark.slug} ${mark.read}`;
    bundles.set(key, [...(bundles.get(key) ?? []), mark]);
  }
  for (const bundle of bundles.values()) {
    const [first] = bundle;
    if (
      !first ||
      (await send(
        first.slug,
        first.read,
        bundle.map((m) => m.post),
      ))
    )
      continue;
    for (const mark of bundle) if (!waiting.has(mark.post)) waiting.set(mark.post, mark);
  }
  if (waiting.size && !timer) timer = setTimeout(() => void flush(), AGAIN_AFTER_MS);
}

export const flushReading = () => void flush();

export function setRead(slug: string, post: number, read: boolean) {
  marks.set(post, read);
  waiting.set(post, { slug, post, read });
  timer ??= setTimeout(() => void flush(), SEND_AFTER_MS);
  for (const listener of listeners) listener();
}

export function subscribeReading(listener: () => void) {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Whether a post is unread now, given what the page was rendered with. */
export const isUnreadNow = (post: number, rendered: boolean) => {
  const mark = marks.get(post);
  return mark === undefined ? rendered : !mark;
};
