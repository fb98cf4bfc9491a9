import { runMigrations } from 'graphile-worker';
import type { Knex } from 'knex';
import * as people from './migrations/0001_people';
import * as courses from './migrations/0002_courses';
import * as posts from './migrations/0003_posts';
import * as reading from './migrations/0004_reading';
import * as coursePages from './migrations/0005_course_pages';
import * as time from './migrations/0006_time';
import * as find from './migrations/0007_find';
import * as outside from './migrations/0008_outside';
import * as beside from './migrations/0009_beside';
import * as writing from './migrations/0010_writing';
import * as files from './migrations/0011_files';
import * as clips from './migrations/0012_clips';
import * as embeds from './migrations/0013_embeds';
import * as marks from './migrations/0014_marks';
import * as room from './migrations/0015_room';
import * as seal from './migrations/0016_seal';
import * as signIn from './migrations/0017_sign_in';
import * as openings from './migrations/0018_openings';
import * as sight from './migrations/0019_sight';
import * as outlines from './migrations/0020_outlines';
import * as words from './migrations/0021_words';
import * as draftWords from './migrations/0022_draft_words';
import * as college from './migrations/0023_college';
import * as waysIn from './migrations/0024_ways_in';
import * as waysInFinished from './migrations/0025_ways_in_finished';
import * as leaving from './migrations/0026_leaving';
import * as faces from './migrations/0027_faces';
import * as desk from './migrations/0028_desk';
import * as tries from './migrations/0029_tries';
import * as classes from './migrations/0030_class';
import * as terms from './migrations/0031_terms';
import * as troubles from './migrations/0032_troubles';
import * as showAt from './migrations/0033_show_at';
import * as termsFinished from './migrations/0034_terms_finished';
import * as groups from './migrations/0035_groups';
import * as promptVersions from './migrations/0036_prompt_versions';
import * as handedOver from './migrations/0037_handed_over';
import * as syllabusSigned from './migrations/0038_syllabus_signed';
import * as textDiffers from './migrations/0039_text_differs';
import * as announcedDocuments from './migrations/0040_announced_documents';
import * as beginnings from './migrations/0041_beginnings';
import * as keptBy from './migrations/0042_kept_by';
import * as marking from './migrations/0043_marking';
import * as broughtMarks from './migrations/0044_brought_marks';
import * as markingTogether from './migrations/0045_marking_together';
import * as rhythms from './migrations/0046_rhythms';
import * as markFiles from './migrations/0047_mark_files';
import * as markAsks from './migrations/0048_mark_asks';
import * as notices from './migrations/0049_notices';
import * as questions from './migrations/0050_questions';
import * as meetAndAnswer from './migrations/0051_meet_and_answer';
import * as corrections from './migrations/0052_corrections';
import * as foundDiscussions from './migrations/0053_found_discussions';
import * as termsAndCalendars from './migrations/0054_terms_and_calendars';
import * as behindTheSeal from './migrations/0055_behind_the_seal';
import * as atWork from './migrations/0056_at_work';
import * as followersByPerson from './migrations/0057_followers_by_person';

const MIGRATIONS = {
  '0001_people': people,
  '0002_courses': courses,
  '0003_posts': posts,
  '0004_reading': reading,
  '0005_course_pages': coursePages,
  '0006_time': time,
  '0007_find': find,
  '0008_outside': outside,
  '0009_beside': beside,
  '0010_writing': writing,
  '0011_files': files,
  '0012_clips': clips,
  '0013_embeds': embeds,
  '0014_marks': marks,
  '0015_room': room,
  '0016_seal': seal,
  '0017_sign_in': signIn,
  '0018_openings': openings,
  '0019_sight': sight,
  '0020_outlines': outlines,
  '0021_words': words,
  '0022_draft_words': draftWords,
  '0023_college': college,
  '0024_ways_in': waysIn,
  '0025_ways_in_finished': waysInFinished,
  '0026_leaving': leaving,
  '0027_faces': faces,
  '0028_desk': desk,
  '0029_tries': tries,
  '0030_class': classes,
  '0031_terms': terms,
  '0032_troubles': troubles,
  '0033_show_at': showAt,
  '0034_terms_finished': termsFinished,
  '0035_groups': groups,
  '0036_prompt_versions': promptVersions,
  '0037_handed_over': handedOver,
  '0038_syllabus_signed': syllabusSigned,
  '0039_text_differs': textDiffers,
  '0040_announced_documents': announcedDocuments,
  '0041_beginnings': beginnings,
  '0042_kept_by': keptBy,
  '0043_marking': marking,
  '0044_brought_marks': broughtMarks,
  '0045_marking_together': markingTogether,
  '0046_rhythms': rhythms,
  '0047_mark_files': markFiles,
  '0048_mark_asks': markAsks,
  '0049_notices': notices,
  '0050_questions': questions,
  '0051_meet_and_answer': meetAndAnswer,
  '0052_corrections': corrections,
  '0053_found_discussions': foundDiscussions,
  '0054_terms_and_calendars': termsAndCalendars,
  '0055_behind_the_seal': behindTheSeal,
  '0056_at_work': atWork,
  '0057_followers_by_person': followersByPerson,
};
type Name = keyof typeof MIGRATIONS;

/** Steps that take away what only the version before needed: they wait until nothing of it runs any more. */
const isFinishing = (name: string) => name.endsWith('_finished');

const sourceOf = (names: readonly Name[]): Knex.MigrationSource<Name> => ({
  getMigrations: async () => [...names],
  getMigrationName: (name) => name,
  getMigration: async (name) => MIGRATIONS[name],
});

export type MigrationState =
  | { code: 'current' }
  /** What is missing is only to be taken away: everything works. */
  | { code: 'unfinished'; missing: string[] }
  | { code: 'behind'; missing: string[] }
  /** A newer version has added to it; once it is `finished`, this code finds things gone that it needs. */
  | { code: 'newer'; unknown: string[]; finished: boolean };

/** Every step that this code knows. */
export const knownMigrations = (): string[] => Object.keys(MIGRATIONS);

async function doneMigrations(db: Knex): Promise<string[]> {
  return (await db.schema.hasTable('knex_migrations'))
    ? db('knex_migrations').orderBy('id').pluck('name')
    : [];
}

/** How the database stands to this code: up to date, behind it, or written by a newer one (which must not be touched). */
export async function migrationState(db: Knex): Promise<MigrationState> {
  const known = knownMigrations();
  const done = await doneMigrations(db);
  const unknown = done.filter((name) => !known.includes(name));
  if (unknown.length) return { code: 'newer', unknown, finished: unknown.some(isFinishing) };
  const missing = known.filter((name) => !done.includes(name));
  if (missing.length === 0) return { code: 'current' };
  return { code: missing.every(isFinishing) ? 'unfinished' : 'behind', missing };
}

/** The queue of jobs keeps its tables itself, in a schema of its own. */
async function prepareJobs(db: Knex) {
  const { connection } = db.client.config as Knex.Config;
  const connectionString =
    typeof connection === 'string'
      ? connection
      : (connection as { connectionString: string }).connectionString;
  await runMigrations({ connectionString });
}

/**
 * Brings the schema up to this code's; each migration is a transaction of its own, so a broken one leaves no half.
 *
 * @param finish also takes away what only the version before needs; without it that version goes on working beside
 */
export async function migrate(db: Knex, { finish = true }: { finish?: boolean } = {}): Promise<string[]> {
  const done = await doneMigrations(db);
  const names = (Object.keys(MIGRATIONS) as Name[]).filter(
    (name) => finish || !isFinishing(name) || done.includes(name),
  );
  const [, made] = (await db.migrate.latest({ migrationSource: sourceOf(names) })) as [number, string[]];
  await prepareJobs(db);
  return made;
}
