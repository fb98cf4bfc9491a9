import { announcementsAt } from '@/contract/addresses';
import { takeBackAnnouncement } from '@/server/courses/announcements';
import { form } from '../../../../../_request/endpoint';
import { seeOther } from '../../../../../_request/write';

/** Takes an announcement back that waits for its time. */
export const POST = form<'course' | 'id'>(
  'announce',
  ({ course }) => announcementsAt(course),
  async ({ who, params: { course, id }, page }) => {
    const done = await takeBackAnnouncement(who.deps, who.actor, course, id);
    return seeOther(`${page}?answer=${done.ok ? 'taken-back' : 'gone-out'}`);
  },
);
