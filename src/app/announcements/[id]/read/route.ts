import { readingAnnouncement } from '@/contract/announcements';
import { isUuid } from '@/core/document/kind';
import { ok } from '@/core/result';
import { readAnnouncement } from '@/server/courses/announcements';
import { json } from '../../../_request/endpoint';

/** Notes that an announcement was read. */
export const POST = json('note an announcement', readingAnnouncement, async ({ who, params }) => {
  if (isUuid(params.id)) await readAnnouncement(who.deps, who.actor, params.id);
  return ok(null);
});
