import { courseWeekAt } from '@/contract/addresses';
import { weekBook } from '@/server/courses/week-book';
import { EPUB } from '@/server/formats/epub';
import { bookWords } from '@/ui/words/week-book';
import { disposition } from '../../../../../_request/disposition';
import { ownContent } from '../../../../../_request/endpoint';
import { withFiles } from '../../../../../_request/session';

/** A week of a course as a book for reading programs. */
export const GET = ownContent<'course' | 'week'>(
  'read a reading',
  ({ course, week }) => courseWeekAt(course, week),
  async ({ who, params: { course, week } }) => {
    const number = /^\d{1,2}$/u.test(week) ? Number(week) : 0;
    const book = await weekBook(withFiles(who.deps), who.actor, course, number, bookWords);
    if (!book.ok) return new Response('There is nothing to take along here.\n', { status: 404 });
    return new Response(new Uint8Array(book.value), {
      headers: {
        'content-type': EPUB,
        'content-disposition': disposition('attachment', `${course}-week-${number}.epub`),
        'cache-control': 'private, no-store',
      },
    });
  },
);
