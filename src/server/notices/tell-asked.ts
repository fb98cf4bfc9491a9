import { isStaff, type CourseId, type DiscussionId, type PersonId, type PostId } from '@/core/ids';
import { concerns } from '@/core/notices/hears';
import type { Db } from '@/db/connection';
import { rolesIn, staffOf } from '@/db/queries/class';
import { askedUnderCover, nobodyOf } from '@/db/queries/covers';
import { postToTell } from '@/db/queries/hearers';
import type { DiscussionRecord } from '@/db/queries/discussions';
import { questionAt } from '@/db/queries/questions';
import type { Acting } from '../questions/acting';
import type { Deps } from '../deps';
import { tell, type Telling } from './tell';

/**
 * Tells of what was asked or answered: whoever asked and whoever is answered hear of an answer, whoever is named of that, and the staff of what waits for
 * them. Who is covered is told as themselves, and named to nobody.
 */
export async function tellAsked(
  deps: Pick<Deps, 'now'>,
  db: Db,
  record: DiscussionRecord,
  id: PostId,
): Promise<void> {
  const course = record.course.id;
  const post = await postToTell(db, id);
  const question = post && (await questionAt(db, post.thread));
  if (!post || !question) return;
  const covered = await askedUnderCover(db, post.thread);
  const nobody = covered && (await nobodyOf(db, course));
  const real = (who: PersonId | null) => (covered && who === nobody ? covered : who);
  const writer = real(post.author);
  const asker = real(question.author);
  const by = post.author === nobody ? null : post.author;
  const about = { asks: 'question', question: question.number };
  const thing = (over: Pick<Telling, 'kind' | 'topic' | 'to'>): Telling => ({
    course,
    key: `post ${id}`,
    discussion: record.id,
    post: id,
    by,
    about,
    ...over,
  });
  const answered =
    post.kind === 'reply'
      ? [...new Set([asker, real(post.answers)])].filter((p): p is PersonId => p !== null && p !== writer)
      : [];
  const roles = await rolesIn(db, course, post.named);
  const named = [...roles].flatMap(([person, role]) =>
    !answered.includes(person) &&
    person !== writer &&
    concerns({ ...post, answers: null }, { id: person, staff: isStaff(role), sealed: false })
      ? [person]
      : [],
  );
  const staff = await staffOf(db, course);
  const waits =
    writer !== null &&
    !staff.includes(writer) &&
    (question.kind === 'line' || (question.kind === 'asks' && post.kind === 'response'));
  await tell(db, deps.now, [
    thing({ kind: 'answer', topic: `question ${post.thread}`, to: answered }),
    thing({ kind: 'name', topic: `name ${id}`, to: named }),
    thing({
      kind: 'request',
      topic: `question ${post.thread}`,
      to: waits ? staff.filter((p) => !answered.includes(p) && !named.includes(p)) : [],
    }),
  ]);
}

/** Tells whoever asked that their question stands with another now, where it goes on. */
export async function tellMerged(
  deps: Pick<Deps, 'now'>,
  db: Db,
  place: { course: CourseId; discussion: DiscussionId },
  merged: { from: { post: PostId; number: number }; into: { number: number }; by: PersonId },
): Promise<void> {
  const { from, into, by } = merged;
  const question = await questionAt(db, from.post);
  const asker = (await askedUnderCover(db, from.post)) ?? question?.author;
  if (!asker) return;
  await tell(db, deps.now, [
    {
      ...place,
      kind: 'answer',
      key: `merged ${from.post} ${into.number}`,
      by,
      to: [asker],
      about: { asks: 'question', question: into.number, merged: from.number },
    },
  ]);
}

const ofQuestion = ({ actor, course, entered, question }: Acting) => ({
  course: course.id,
  discussion: entered.record.id,
  kind: 'answer' as const,
  by: actor.id,
  about: { asks: 'question', question: question.number },
});

/** Tells whoever asked staff alone that these would like everybody to read it; asked once more, it is told once more. */
export async function tellOpening(acting: Acting, db: Db): Promise<void> {
  const { deps, question, root } = acting;
  const asker = (await askedUnderCover(db, question.post)) ?? root.author.id;
  const base = ofQuestion(acting);
  const key = `opening ${question.post} ${deps.now}`;
  await tell(db, deps.now, [{ ...base, key, to: [asker], about: { ...base.about, what: 'opening' } }]);
}

/** Tells whoever has a slot in an hour to meet that it was moved, or called off. */
export async function tellMeeting(
  acting: Acting,
  db: Db,
  { off, to }: { off: boolean; to: readonly PersonId[] },
): Promise<void> {
  const { deps, question } = acting;
  const base = ofQuestion(acting);
  const what = off ? 'meeting-off' : 'meeting-moved';
  await tell(db, deps.now, [
    { ...base, key: `${what} ${question.post} ${deps.now}`, to, about: { ...base.about, what } },
  ]);
}
