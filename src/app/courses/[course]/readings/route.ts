import { addReading, newReadingSchema } from '@/server/courses/add-reading';
import { MOST_FILE_BYTES } from '@/server/formats/read-file';
import { requireVisitor, withFiles, withSites } from '../../../_request/session';
import { uploadedForm } from '../../../_request/upload';
import { fromOwnPages, seeOther } from '../../../_request/write';

/** Puts a reading into a week of a course. */
export async function POST(request: Request, context: { params: Promise<{ course: string }> }) {
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const { course } = await context.params;
  const who = await requireVisitor(`/courses/${course}`);
  const { fields, files } = await uploadedForm(request, {
    files: 1,
    fileBytes: MOST_FILE_BYTES,
    fieldBytes: 2_000_000,
  });
  const read = newReadingSchema.safeParse(
    Object.fromEntries([...fields].map(([k, v]) => [k, v.replace(/\u0000/gu, '')])),
  );
  const page = `/courses/${course}/weeks/${/^\d{1,2}$/u.test(fields.get('week') ?? '') ? fields.get('week') : 1}`;
  if (!read.success) return seeOther(`${page}?answer=reading-unnamed`);
  const added = await addReading(
    withSites(withFiles(who.deps)),
    who.actor,
    course,
    read.data,
    files[0] ?? null,
  );
  return seeOther(added.ok ? `/readings/${added.value.slug}` : `${page}?answer=${added.failure.code}`);
}
