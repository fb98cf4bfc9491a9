import { announcementsAt } from '@/contract/addresses';
import { announce, announcementSchema } from '@/server/courses/announcements';
import { seeOther, sentDocument } from '../../../../_request/write';
import { form } from '../../../../_request/endpoint';

/** Announces something to a course: a plain form that staff send. */
export const POST = form<'course'>(
  'announce',
  ({ course }) => announcementsAt(course),
  async ({ who, params: { course }, fields, page }) => {
    const read = announcementSchema.safeParse({
      ...Object.fromEntries(fields),
      doc: sentDocument(fields.get('doc')),
    });
    if (!read.success) return seeOther(`${page}?answer=empty`);
    const said = await announce(who.deps, who.actor, course, read.data);
    if (said.ok) return seeOther(page);
    switch (said.failure.code) {
      case 'staff-only':
        return new Response('Only the staff of a course announce things there.\n', { status: 403 });
      case 'not-found':
        return new Response('There is no such course for you.\n', { status: 404 });
      case 'nothing-written':
        return seeOther(`${page}?answer=empty`);
      default:
        return seeOther(`${page}?answer=${said.failure.code}`);
    }
  },
);
