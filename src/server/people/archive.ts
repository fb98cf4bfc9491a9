import { Zip, ZipDeflate, ZipPassThrough } from 'fflate';
import { archiveName, archiveTexts, type OwnText } from '@/core/people/archive';
import { account } from '@/db/queries/accounts';
import { college } from '@/db/queries/college';
import { pictureOf } from '@/db/queries/pictures';
import {
  archivedChoices,
  archivedDrafts,
  archivedFiles,
  archivedPosts,
  archivedRest,
} from '@/db/queries/own-archive';
import { ownCourses, withoutSlugs } from '@/db/queries/own-courses';
import { ownWordsInCourses } from '@/db/queries/own-words';
import type { Brief } from '@/core/brief/brief';
import { postId, type DiscussionId, type PersonId } from '@/core/ids';
import { scoreOf } from '@/core/marks/mark';
import { noteWithMark } from '@/core/people/margins';
import { askTogether } from '@/db/ask';
import { releasedTo } from '@/db/queries/marks';
import { schemesFor } from '@/db/queries/progress';
import { enterDiscussion } from '../access/enter';
import { givenBy } from '../marks/released';
import type { Actor, Deps } from '../deps';
import { issueReceipt } from '../receipts/issue';
import { keySet } from '../receipts/keys';
import type { Box } from '../secrets/box';
import { OWN_COURSES } from './read-archive';
import type { FileStore } from '../files/store';

const iso = (at: number) => `${new Date(at).toISOString().slice(0, 16).replace('T', ' ')} UTC`;

/** The name of a file as its owner knows it, with its ending. */
const fileName = (n: number, name: string) => {
  const dot = name.lastIndexOf('.');
  const ending =
    dot > 0
      ? name
          .slice(dot + 1)
          .replace(/[^A-Za-z0-9]/gu, '')
          .slice(0, 8)
      : '';
  return `files/${archiveName(n, dot > 0 ? name.slice(0, dot) : name)}${ending ? `.${ending}` : ''}`;
};

/** What the marks of a person come to, by discussion. */
async function marksOf({ db }: Deps, person: PersonId) {
  const { released, schemes } = await askTogether(db, {
    released: releasedTo(db, person),
    schemes: schemesFor(db, person),
  });
  return (id: DiscussionId, points: Brief['points']) => {
    const record = released.find((r) => r.discussion === id);
    if (!record) return null;
    const { scheme, mark, late } = givenBy(record, { rubric: schemes.get(id)?.rubric ?? null, points });
    return { ...scoreOf(scheme, mark, late), verdict: mark.verdict, at: record.releasedAt };
  };
}

/**
 * The courses of an archive that can be brought into another installation: those of one's own, and of the courses of others what one wrote
 * oneself, under the prompts that one may read now, and among the questions; with the mark one has, in the note beside the prompt.
 */
async function travelling(deps: Deps, actor: Actor) {
  const [own, theirs, markOf] = await Promise.all([
    ownCourses(deps.db, actor.id),
    ownWordsInCourses(deps.db, actor.id),
    marksOf(deps, actor.id),
  ]);
  const codes = new Set(own.courses.map((c) => c.code));
  for (const course of theirs.filter((c) => !codes.has(c.code))) {
    const discussions: typeof course.discussions = [];
    for (const d of course.discussions) {
      if (!d.asks && !(await enterDiscussion(deps, actor, d.slug)).ok) continue;
      const mark = markOf(d.id, d.brief.points);
      const body = mark && noteWithMark(d.note?.body ?? '', mark);
      discussions.push(
        body ? { ...d, note: { body, keptAt: d.note?.keptAt ?? new Date(mark.at).toISOString() } } : d,
      );
    }
    if (discussions.length) own.courses.push(withoutSlugs({ ...course, discussions }));
  }
  return own;
}

/**
 * Everything of one person in one archive, as it is read: what they shared with every version, drafts, notes, sources, marks and files, in
 * open forms, with a page that reads by itself. It is put together while it is sent: no size of it takes more memory than one file's
 * piece and the texts.
 */
export async function* ownArchive(
  deps: Deps & { files: FileStore; box: Box },
  actor: Actor,
): AsyncGenerator<Uint8Array> {
  const [self, home, posts, drafts, rest, choices, files, courses] = await Promise.all([
    account(deps.db, actor.id),
    college(deps.db),
    archivedPosts(deps.db, actor.id),
    archivedDrafts(deps.db, actor.id),
    archivedRest(deps.db, actor.id),
    archivedChoices(deps.db, actor.id),
    archivedFiles(deps.db, actor.id),
    travelling(deps, actor),
  ]);
  if (!self) throw new Error('whoever is signed in has an account');
  const picture = await pictureOf(deps.db, actor.id);
  const placed = [
    ...files.map((f, i) => ({ ...f, path: fileName(i + 1, f.name) })),
    ...(picture ? [{ id: actor.id, name: 'picture.webp', sha256: picture, path: 'files/picture.webp' }] : []),
  ];
  const shared: OwnText[] = [];
  for (const p of posts)
    for (const [i, v] of p.versions.entries()) {
      const issued = await issueReceipt(deps, actor, postId(p.id), i + 1);
      shared.push({
        line: `${p.kind === 'response' ? 'Response' : `Reply to #${p.answers}`} #${p.id}, ${
          i === 0 ? 'shared' : 'changed'
        } ${iso(v.at)}${p.withdrawn ? ', withdrawn' : ''}`,
        course: p.course,
        discussion: p.discussion,
        title: v.title,
        doc: v.doc,
        ...(issued.ok ? { receipt: issued.value.file } : {}),
      });
    }
  const texts = archiveTexts({
    name: self.name,
    email: self.email,
    about: `taken ${iso(deps.now)} from ${home?.name ?? 'Pulpit'}`,
    shared,
    drafts: drafts.map((d) => ({ ...d, line: d.kind === 'response' ? 'Response' : 'Reply' })),
    data: {
      account: {
        name: self.name,
        saidAs: self.saidAs,
        email: self.email,
        timeZone: self.timeZone,
        spelling: self.spelling,
      },
      [OWN_COURSES]: courses,
      'keys of receipts': await keySet(deps.db),
      'margin notes': rest.notes,
      'notes to self': rest.self,
      sources: rest.sources,
      marks: rest.marks,
      'hands raised': choices.hands,
      'slots taken': choices.slots,
      'saved answers': choices.saved,
      'how notices come': { rules: choices.notices, devices: choices.devices },
    },
    files: placed,
  });

  let ready: Uint8Array[] = [];
  let broken: Error | null = null;
  const zip = new Zip((error, piece) => {
    if (error) broken = error;
    else ready.push(piece);
  });
  const taken = () => {
    if (broken) throw broken;
    const pieces = ready;
    ready = [];
    return pieces;
  };
  for (const { path, text } of texts) {
    const entry = new ZipDeflate(path);
    zip.add(entry);
    entry.push(new TextEncoder().encode(text), true);
    yield* taken();
  }
  for (const { path, sha256 } of placed) {
    const entry = new ZipPassThrough(path);
    zip.add(entry);
    for await (const piece of await deps.files.read(sha256)) {
      entry.push(piece as Uint8Array);
      yield* taken();
    }
    entry.push(new Uint8Array(0), true);
    yield* taken();
  }
  zip.end();
  yield* taken();
}
