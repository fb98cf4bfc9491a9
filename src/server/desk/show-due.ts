import { showDiscussionsDue } from '@/db/queries/desk';
import type { Deps } from '../deps';

/** Shows the class what its staff have set a time for, once that has come; answers how many. */
export const showDue = ({ db, now }: Pick<Deps, 'db' | 'now'>): Promise<number> =>
  showDiscussionsDue(db, now);
