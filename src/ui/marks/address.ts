import { deskMarkingAt } from '@/contract/addresses';
import type { MarkingLook, MarkingPage } from '@/contract/marks';

/** How the page is looked at, as its address and the fields of its forms say it. */
export const lookQuery = ({ covered, everybody, second }: MarkingLook) => ({
  covered: covered ? 'yes' : null,
  everybody: everybody ? 'yes' : null,
  second: second ? 'yes' : null,
});

/** One student's part in the page as it is looked at. */
export const markingAt = ({ course, discussion, look }: MarkingPage, student: string | null): string =>
  deskMarkingAt(course.slug, discussion.slug, { student, ...lookQuery(look) });
