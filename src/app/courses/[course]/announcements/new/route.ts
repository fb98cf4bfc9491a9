import { announce, announcementSchema } from '@/server/courses/announcements';
import { requireVisitor } from '../../../../_request/session';
import { bodyFields, fromOwnPages, seeOther } from '../../../../_request/write';

type Context = { params: Promise<{ course: string }> };

/** Announces something to a course: a plain form that staff send. */
export async function POST(request: Request, context: Context) {
  const { course } = await context.params;
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const page = `/courses/${course}/announcements`;
  const who = await requireVisitor(page);
  const fields = await bodyFields(request);
  const read = announcementSchema.safeParse(Object.fromEntries(fields));
  if (!read.success) return seeOther(`${page}?answer=empty`);
  const said = await announce(who.deps, who.actor, course, read.data);
  if (said.ok) return seeOther(page);
  return said.failure.code === 'staff-only'
    ? new Response('Only the staff of a course announce things there.\n', { status: 403 })
    : new Response('There is no such course for you.\n', { status: 404 });
}
