import type { DiscussionEvent } from '@/db/queries/discussion-events';
import type { PersonId } from '@/core/ids';

/**
 * Whether somebody may hear that something happened to a post: whoever may read the post. Nobody hears anything behind the
 * seal: there is no listening there.
 */
export const mayHear = (event: DiscussionEvent, reader: { id: PersonId; staff: boolean }): boolean =>
  reader.staff || event.readers === null || event.readers.includes(reader.id);
