/**
 * Setting up courses and people: what an administrator's import will do, and what the demo world does today. Callers
 * own the transaction.
 */
export {
  anyPeople,
  insertAnnouncement as addAnnouncement,
  insertCourses as addCourses,
  insertDiscussions as addDiscussions,
  insertEnrolments as enrol,
  insertExcusal as excuse,
  insertExtension as extend,
  insertPeople as addPeople,
  takeBack,
  type NewCourse,
  type NewDiscussion,
  type NewPerson,
  type NewWeek,
} from '@/db/queries/setup';
