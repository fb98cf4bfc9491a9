import { decodedCalendar } from '@/core/calendar/decoded';
import type { CalendarTrouble } from '@/db/queries/followed-calendars';
import { askOnce, MOST_REDIRECTS, Refused, theWorld, urlOf, type LinkWorld } from '../links/ask';

const TIMEOUT_MS = 10_000;
const MOST_BYTES = 3_000_000;

/** What a calendar's server said: its text, or null where that is as it was. */
export type Fetched =
  { text: string | null; etag: string | null; modified: string | null } | { trouble: CalendarTrouble };

/**
 * Asks for a calendar by its address, as links are asked for: for some seconds, never into a private network, and not for what one has already (RFC 9110,
 * 13.1).
 */
export async function fetchCalendar(
  address: URL,
  had: { etag: string | null; modified: string | null },
  world: LinkWorld = theWorld,
): Promise<Fetched> {
  let url: URL | null = address;
  const signal = AbortSignal.timeout(TIMEOUT_MS);
  const headers = {
    accept: 'text/calendar, */*;q=0.5',
    ...(had.etag ? { 'if-none-match': had.etag } : {}),
    ...(had.modified ? { 'if-modified-since': had.modified } : {}),
  };
  try {
    for (let step = 0; url && step <= MOST_REDIRECTS; step += 1) {
      const answer = await askOnce(url, { method: 'GET', most: MOST_BYTES + 1, headers }, world, signal);
      if (answer.status === 304) return { text: null, etag: had.etag, modified: had.modified };
      if (answer.status >= 300 && answer.status < 400 && answer.location) {
        url = urlOf(answer.location, url);
        continue;
      }
      if (answer.status >= 400) return { trouble: answer.status < 500 ? 'not-found' : 'no-answer' };
      if (answer.body.length > MOST_BYTES) return { trouble: 'too-large' };
      return { text: decodedCalendar(answer.body), etag: answer.etag, modified: answer.modified };
    }
    return { trouble: 'no-answer' };
  } catch (error) {
    // Whatever else the network says: nobody answered.
    return { trouble: error instanceof Refused ? 'private' : 'no-answer' };
  }
}
