import { readingAnnouncements } from '@/contract/readings';
import { ok } from '@/core/result';
import { readAnnouncements } from '@/server/courses/announcements';
import { json } from '../../_request/endpoint';

/** Notes that announcements were read. */
export const POST = json('note an announcement', readingAnnouncements, async ({ who, input }) => {
  await readAnnouncements(who.deps, who.actor, input.ids);
  return ok(null);
});
