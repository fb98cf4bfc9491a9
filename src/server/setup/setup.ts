/**
 * Setting up courses and people: what an administrator's import will do, and what the demo world does today. Callers
 * own the transaction.
 */
export {
  anyPeople,
  insertCourses as addCourses,
  insertDiscussions as addDiscussions,
  insertEnrolments as enrol,
  insertExcusal as excuse,
  insertExtension as extend,
  insertPeople as addPeople,
  insertFiles as addFiles,
  insertReadings as addReadings,
  insertSpells as addSpells,
  insertSyllabus as addSyllabus,
  markReadBefore,
  takeBack,
  type NewCourse,
  type NewDiscussion,
  type NewPerson,
  type NewWeek,
} from '@/db/queries/setup';
export { insertAnnouncement as addAnnouncement } from '@/db/queries/announcements';
