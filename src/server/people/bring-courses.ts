import { setRubric } from '@/db/queries/kept-rubrics';
import { randomUUID } from 'node:crypto';
import { clipsAsFiles, filesIn, withKnownFiles, type StoredFile } from '@/core/document/attachments';
import { isBlank, plainText } from '@/core/document/flatten';
import { withKnownNames } from '@/core/document/names';
import type { Doc } from '@/core/document/nodes';
import {
  courseId,
  courseSlug,
  discussionId,
  instant,
  personId,
  type CourseId,
  type DiscussionId,
  type PersonId,
  type PostId,
} from '@/core/ids';
import {
  afterWhatTheyAnswer,
  withDocuments,
  type OwnCourse,
  type OwnDiscussion,
} from '@/core/people/own-courses';
import { fingerprintText } from '@/core/posts/canonical';
import { fail, ok, type Result } from '@/core/result';
import { sourceItemSchema } from '@/core/sources/item';
import type { Db } from '@/db/connection';
import { coursesOf } from '@/db/queries/courses';
import { insertDraft } from '@/db/queries/drafts';
import { putNoteToSelf } from '@/db/queries/notes-to-self';
import {
  insertDiscussion,
  insertOutsideCourse,
  markPasted,
  outsideCourse,
  putWeek,
  standingRows,
  toldPerson,
  withdrawPost,
} from '@/db/queries/outside';
import { insertPost, insertVersion, lockSharing, nextPostId } from '@/db/queries/sharing';
import { addSources, sourcesOf } from '@/db/queries/sources';
import type { NotRead } from '@/contract/not-read';
import type { Actor, Deps } from '../deps';
import { receiveWhole, type FileDeps } from '../files/receive';
import { newSlug } from '../outside/confirm';
import { figuresOf } from '../posts/check-text';
import { sha256 } from '../posts/fingerprint';
import { readFor } from '../readers/readers';
import type { ArchivedFile } from './read-archive';

export type Brought = {
  courses: number;
  discussions: number;
  posts: number;
  /** Files that their texts carry. */
  files: number;
  /** And those that could not be kept here: too large, or there is no room for them. Their names stand in the texts. */
  left: string[];
  /** Discussions that were here already, and are left as they are. */
  known: number;
  /** Courses that are held here under the same name. */
  hosted: string[];
};
export type BringFailure =
  | NotRead
  | { code: 'no-archive' | 'no-courses' | 'not-own-courses' | 'newer' | 'too-large' }
  | { code: 'malformed'; where: string };

export const MOST_ARCHIVE_BYTES = 64_000_000;

const at = (iso: string) => instant(Date.parse(iso));

/**
 * A text of another place as it can stand here: with the files that came along, and names of people and numbers of posts as the words they are, for
 * here they would be others'.
 */
const ofHere = (doc: Doc, files: ReadonlyMap<string, StoredFile>): Doc =>
  withKnownNames(withKnownFiles(clipsAsFiles(doc, files), files), { person: () => null, post: () => false });

type Figures = Awaited<ReturnType<typeof figuresOf>>;
type Measured = {
  course: OwnCourse;
  discussion: OwnDiscussion;
  versions: Map<string, Figures>;
  drafts: Figures[];
};

/** What every text of a discussion meets, measured before anything is written. */
async function measured(
  deps: Deps,
  actor: Actor,
  course: OwnCourse,
  discussion: OwnDiscussion,
): Promise<Measured> {
  const { brief, posts } = discussion;
  const over = new Map(posts.map((p) => [p.n, p]));
  const answered = (n: number | null) => {
    const post = n === null ? undefined : over.get(n);
    return post
      ? {
          author: { name: post.author?.name ?? actor.name },
          plain: plainText(post.versions.at(-1)?.doc ?? { type: 'doc', content: [] }),
        }
      : null;
  };
  const of = (text: { title: string; doc: Doc }, answers: number | null) =>
    figuresOf(deps, actor, {
      brief,
      kind: answers === null ? 'response' : 'reply',
      title: text.title,
      doc: text.doc,
      answered: answered(answers),
    });
  const versions = new Map<string, Figures>();
  for (const post of posts)
    for (const [i, version] of post.versions.entries())
      versions.set(`${post.n} ${i}`, await of(version, post.answers));
  const drafts: Figures[] = [];
  for (const draft of discussion.drafts) drafts.push(await of(draft, draft.answers));
  return { course, discussion, versions, drafts };
}

/** Lays a discussion down as it was, with everybody's posts, one's own drafts and what one noted. */
async function putDiscussion(
  tx: Db,
  deps: Deps,
  actor: Actor,
  course: CourseId,
  given: Measured,
): Promise<number> {
  const { discussion: d, versions } = given;
  await putWeek(tx, course, d.week);
  const id: DiscussionId = discussionId(randomUUID());
  const slug = newSlug();
  await insertDiscussion(
    tx,
    { course, id, slug, week: d.week.number, opens: d.opens },
    d.prompt,
    {
      title: d.title,
      course: given.course.code,
      week: d.week.number,
      zone: given.course.zone,
      responseDue: d.responseDue,
      repliesDue: d.repliesDue,
      late: d.late,
      brief: d.brief,
    },
    d.source ?? { name: '', whole: '' },
  );
  if (d.rubric) await setRubric(tx, course, id, d.rubric);
  await lockSharing(tx, actor.id, id);
  const ids = new Map<number, PostId>();
  const authors = new Map<number, PersonId>();
  for (const post of afterWhatTheyAnswer(d.posts)) {
    const parent = post.answers === null ? null : (ids.get(post.answers) ?? null);
    const author = post.author
      ? await toldPerson(
          tx,
          course,
          { id: actor.id, zone: actor.timeZone },
          { id: personId(randomUUID()), ...post.author },
        )
      : actor.id;
    const number = await nextPostId(tx);
    await insertPost(tx, number, {
      course,
      discussion: id,
      author,
      kind: parent === null ? 'response' : 'reply',
      parent,
      privateTo: post.private && post.answers !== null ? (authors.get(post.answers) ?? null) : null,
      covered: false,
      groupOf: null,
      submission: randomUUID(),
      now: at(post.sharedAt),
      notedAt: post.notedAt === null ? null : at(post.notedAt),
    });
    for (const [i, version] of post.versions.entries()) {
      const figures = versions.get(`${post.n} ${i}`);
      const { doc } = version;
      const now = at(version.at);
      await insertVersion(tx, number, {
        n: i + 1,
        now,
        title: version.title,
        doc,
        plain: plainText(doc),
        ownWords: figures?.ownWords ?? 0,
        // A classmate's post is not measured: only its author owes anything.
        checks: post.author ? [] : (figures?.checks ?? []),
        unmet: post.author ? [] : (figures?.unmet ?? []),
        fingerprint: sha256(
          fingerprintText({ id: number, author, discussion: slug, sharedAt: now, title: version.title, doc }),
        ),
      });
    }
    if (post.withdrawn) await withdrawPost(tx, number, deps.now);
    if (post.read && post.author)
      await markPasted(tx, { course, discussion: id, person: actor.id, post: number }, deps.now);
    ids.set(post.n, number);
    authors.set(post.n, author);
  }
  for (const [i, draft] of d.drafts.entries()) {
    const parent = draft.answers === null ? null : ids.get(draft.answers);
    const figures = given.drafts[i];
    if (parent === undefined || !figures) continue;
    const { doc } = draft;
    await insertDraft(
      tx,
      { author: actor.id, course, discussion: id, kind: parent === null ? 'response' : 'reply', parent },
      { id: randomUUID(), submission: randomUUID(), answeredN: parent === null ? null : 1 },
      {
        title: draft.title,
        doc,
        words: figures.words,
        blank: isBlank(doc),
        checks: figures.checks,
        keptAt: at(draft.keptAt),
        by: null,
      },
    );
  }
  if (d.note)
    await putNoteToSelf(
      tx,
      { course, discussion: id, person: actor.id },
      { body: d.note.body, keptAt: at(d.note.keptAt) },
    );
  return ids.size;
}

/** The student's own course of that code, made where there is none. */
async function courseIn(tx: Db, actor: Actor, given: OwnCourse): Promise<{ id: CourseId; made: boolean }> {
  const known = await outsideCourse(tx, actor.id, given.code);
  if (known) return { id: known, made: false };
  const id = courseId(randomUUID());
  await insertOutsideCourse(tx, {
    id,
    owner: actor.id,
    code: given.code,
    title: given.title,
    zone: given.zone,
  });
  return { id, made: true };
}

/** A title and a week tell a discussion from the others of its course. */
const keyOf = (course: string, d: { title: string; week: number }) => `${course} ${d.week} ${d.title}`;

/** Takes the files in that texts of a course carry, as the student's own in it. */
async function takeFiles(
  deps: FileDeps,
  actor: Actor,
  course: CourseId,
  discussions: readonly OwnDiscussion[],
  all: ReadonlyMap<string, ArchivedFile>,
) {
  const wanted = new Set<string>();
  for (const d of discussions)
    withDocuments(d, (doc) => {
      for (const id of filesIn(doc)) wanted.add(id);
      return doc;
    });
  const known = new Map<string, StoredFile>();
  const left: string[] = [];
  for (const id of wanted) {
    const file = all.get(id);
    if (!file) continue;
    const kept = await receiveWhole(deps, actor, course, file.name, file.bytes);
    if (kept.ok) known.set(id, kept.value);
    else left.push(file.name);
  }
  return { known, left };
}

/**
 * Brings courses in out of an archive of this or another installation, as the student's own: with prompts, posts and their versions, drafts, notes,
 * sources and the files that texts carry. Their texts come in all or not at all; what is here already is left as it is, so the same archive can be brought
 * twice.
 */
export async function bringCourses(
  deps: FileDeps,
  actor: Actor,
  bytes: Buffer,
): Promise<Result<Brought, BringFailure>> {
  const read = await readFor(deps, actor, 'archive', { bytes });
  if (!read.ok) return read;
  if (!read.value.ok) return read.value;
  const { courses: given, files } = read.value.value;
  if (given.courses.length === 0) return fail({ code: 'no-courses' });
  const held = (await coursesOf(deps.db, actor.id)).filter((c) => !c.outside).map((c) => courseSlug(c.code));
  const hosted = given.courses.filter((c) => held.includes(courseSlug(c.code)));
  const here = new Set((await standingRows(deps.db, actor.id)).map((s) => keyOf(s.course, s)));
  const counts = { courses: 0, discussions: 0, posts: 0, files: 0, known: 0 };
  const left: string[] = [];
  const placed: { course: OwnCourse; id: CourseId; own: Measured[] }[] = [];
  const contents = new Map(files.map((f) => [f.id, f]));
  for (const course of given.courses.filter((c) => !hosted.includes(c))) {
    const fresh = course.discussions.filter(
      (d) => !here.has(keyOf(course.code, { title: d.title, week: d.week.number })),
    );
    counts.known += course.discussions.length - fresh.length;
    if (fresh.length === 0) continue;
    const { id, made } = await deps.db.transaction((tx) => courseIn(tx, actor, course));
    if (made) counts.courses += 1;
    const taken = await takeFiles(deps, actor, id, fresh, contents);
    counts.files += taken.known.size;
    left.push(...taken.left);
    const own: Measured[] = [];
    for (const d of fresh)
      own.push(
        await measured(
          deps,
          actor,
          course,
          withDocuments(d, (doc) => ofHere(doc, taken.known)),
        ),
      );
    placed.push({ course, id, own });
  }
  return deps.db.transaction(async (tx) => {
    for (const { course, id, own } of placed) {
      const shelf = new Set((await sourcesOf(tx, actor.id, id)).map((s) => JSON.stringify(s.item)));
      const items = course.sources.flatMap((item) => {
        const source = sourceItemSchema.safeParse(item);
        return source.success && !shelf.has(JSON.stringify(source.data))
          ? [{ id: randomUUID(), item: source.data }]
          : [];
      });
      if (items.length) await addSources(tx, { person: actor.id, course: id, now: deps.now }, items);
      for (const discussion of own) {
        counts.posts += await putDiscussion(tx, deps, actor, id, discussion);
        counts.discussions += 1;
      }
    }
    return ok({ ...counts, left, hosted: hosted.map((c) => c.code) });
  });
}
