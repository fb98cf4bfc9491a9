import { courseAt, courseWeekAt, readingAt } from '@/contract/addresses';
import { addReading, newReadingSchema } from '@/server/courses/add-reading';
import { MOST_FILE_BYTES } from '@/server/formats/read-file';
import { withFiles, withSites } from '../../../_request/session';
import { numberOf, seeOther } from '../../../_request/write';
import { uploadForm } from '../../../_request/endpoint';

/** Puts a reading into a week of a course. */
export const POST = uploadForm<'course'>(
  'keep material',
  { files: 1, fileBytes: MOST_FILE_BYTES, fieldBytes: 2_000_000 },
  ({ course }) => courseAt(course),
  async ({ who, params: { course }, fields, files }) => {
    const read = newReadingSchema.safeParse(
      Object.fromEntries([...fields].map(([k, v]) => [k, v.replace(/\u0000/gu, '')])),
    );
    const page = courseWeekAt(course, numberOf(fields.get('week') ?? '') || 1);
    if (!read.success) return seeOther(`${page}?answer=reading-unnamed`);
    const added = await addReading(
      withSites(withFiles(who.deps)),
      who.actor,
      course,
      read.data,
      files[0] ?? null,
    );
    return seeOther(added.ok ? readingAt(added.value.slug) : `${page}?answer=${added.failure.code}`);
  },
);
