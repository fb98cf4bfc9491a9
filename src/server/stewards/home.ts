import type { StewardHome } from '@/contract/stewards';
import { coursesAskedFor, hostedCourses } from '@/db/queries/hosted-courses';
import { countOpenInvitations } from '@/db/queries/invitations';
import { mailState } from '@/db/queries/mails';
import { stewardLog } from '@/db/queries/steward-log';
import { peopleList } from '@/db/queries/accounts';
import type { Deps } from '../deps';
import { theCollege } from './college';

const LAST_ACTS = 6;

/** The stewards' first page: what there is, what is to be done next, whether mail leaves, and what was done last. */
export async function stewardHome(deps: Deps): Promise<StewardHome> {
  const [college, courses, invited, mail, log, { total }, asking] = await Promise.all([
    theCollege(deps),
    hostedCourses(deps.db),
    countOpenInvitations(deps.db),
    mailState(deps.db),
    stewardLog(deps.db, null, LAST_ACTS),
    peopleList(deps.db, { words: '', page: 1, size: 1 }),
    coursesAskedFor(deps.db),
  ]);
  const todo: StewardHome['todo'] = [];
  if (asking.length) todo.push('asking');
  if (courses.length === 0) todo.push('course');
  else if (courses.some((c) => c.staff === 0 && c.invited === 0)) todo.push('instructor');
  else if (courses.some((c) => c.students === 0 && c.invited < 2)) todo.push('students');
  if (!college.help.telephone && !college.help.hours) todo.push('help');
  return { asking, college, figures: { people: total, courses: courses.length, invited }, todo, mail, log };
}

/** A page of the log of what stewards did, newest first. */
export const logPage = (deps: Deps, before: number | null) => stewardLog(deps.db, before, 100);
