import { deskMarkingAt } from '@/contract/addresses';
import type { MarkingPage } from '@/contract/marks';

/** One student's part in the page as it is looked at: with names covered, if they are. */
export const markingAt = ({ course, discussion, covered }: MarkingPage, student: string | null): string =>
  deskMarkingAt(course.slug, discussion.slug, { student, covered: covered ? 'yes' : null });
