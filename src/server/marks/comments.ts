import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { MARK, talkKey, type About, type answerSchema, type CommentTalk } from '@/contract/marks';
import { storable } from '@/core/document/document';
import { fail, ok, type Result } from '@/core/result';
import { COMMENT_LIMITS, type Comment, type Place } from '@/core/marks/comment';
import type { Scheme } from '@/core/marks/mark';
import type { Doc } from '@/core/document/nodes';
import { readingText } from '@/core/notes/reading-text';
import { personId, type PersonId } from '@/core/ids';
import { ask, askTogether } from '@/db/ask';
import {
  addAnswer,
  addCriterionTalk,
  answersOf,
  criterionTalk,
  setUnderstood,
  understoodOf,
  type AnswerRecord,
  type CriterionSaid,
  type MarkKey,
} from '@/db/queries/comment-answers';
import { releasedTo } from '@/db/queries/marks';
import { noteToSelf, putNoteToSelf } from '@/db/queries/notes-to-self';
import { discussionsOf } from '@/db/queries/discussions';
import { resolveSchedule } from '@/core/deadlines/schedule';
import { enterDiscussion, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { discussionOnDesk, enterDesk } from '../desk/enter';
import { tellTalk } from '../notices/happened';
import { readFor } from '../readers/readers';
import { givenBy } from './released';

/**
 * Where the passages of comments stand in the texts as they are shown: as they stood, where it is the version they were written on, and
 * found again by their words where it is not.
 */
export async function placesOf(
  deps: Deps,
  actor: Actor,
  comments: readonly Comment[],
  texts: readonly { id: number; n: number; doc: Doc }[],
): Promise<Record<string, Place | null>> {
  const places: Record<string, Place | null> = {};
  for (const text of texts) {
    const here = comments.filter((c) => c.post === text.id);
    for (const c of here) if (c.n === text.n) places[c.id] = { start: c.anchor.start, end: c.anchor.end };
    const moved = here.filter((c) => c.n !== text.n);
    if (moved.length === 0) continue;
    const read = await readFor(deps, actor, 'places', {
      text: readingText(text.doc).text,
      anchors: moved.map((c) => c.anchor),
    });
    moved.forEach((c, i) => {
      const found = read.ok ? read.value[i] : null;
      places[c.id] = found ? { start: found.start, end: found.end } : null;
    });
  }
  return places;
}

type Said = { answers: AnswerRecord[]; asked: CriterionSaid[]; understood: string[] };

/** What was said about each comment and criterion, for one who reads it. */
export function talkOf(reader: PersonId, found: Said): Record<string, CommentTalk> {
  const talk: Record<string, CommentTalk> = {};
  const of = (key: string) => (talk[key] ??= { answers: [], understood: false });
  const add = (about: About, { id, author, body, madeAt }: Omit<AnswerRecord, 'comment'>) =>
    of(talkKey(about)).answers.push({
      id,
      author: author.name,
      mine: author.id === reader,
      body,
      at: madeAt,
    });
  for (const answer of found.answers) add({ comment: answer.comment }, answer);
  for (const said of found.asked) add({ criterion: said.criterion }, said);
  for (const id of found.understood) of(id).understood = true;
  return talk;
}

/** The asks for what was said about the comments and criteria of a mark. */
export const talkAsks = (deps: Deps, key: MarkKey) => ({
  answers: answersOf(deps.db, key),
  asked: criterionTalk(deps.db, key),
  understood: understoodOf(deps.db, key),
});

const body = z
  .string()
  .transform((text) => storable(text).trim())
  .pipe(z.string().min(1).max(COMMENT_LIMITS.body));
const answerId = z.uuid().default(() => randomUUID());

export const commentActSchema = z.discriminatedUnion('do', [
  z.object({ do: z.literal('answer'), comment: z.uuid(), body, id: answerId }),
  z.object({ do: z.literal('ask'), criterion: z.string().min(1).max(60), body, id: answerId }),
  z.object({ do: z.enum(['understood', 'not-understood', 'take-along']), comment: z.uuid() }),
]);
export type CommentAct = z.output<typeof commentActSchema>;
type Failure = NotFound | { code: 'no-next' };

/** Whether a mark has such a criterion, or all of it is meant. */
const isAbout = (scheme: Scheme, criterion: string): boolean =>
  criterion === MARK || (scheme.by === 'rubric' && scheme.rubric.criteria.some((c) => c.id === criterion));

/** What a student says about a comment that was released to them, or asks about a criterion. */
export async function actOnComment(
  deps: Deps,
  actor: Actor,
  slug: string,
  act: CommentAct,
): Promise<Result<null, Failure>> {
  const door = await enterDiscussion(deps, actor, slug);
  if (!door.ok) return door;
  const { record } = door.value;
  const key = { course: record.course.id, discussion: record.id, person: actor.id };
  const [released] = await ask(releasedTo(deps.db, actor.id, record.id));
  if (!released) return fail({ code: 'not-found' });
  if (act.do === 'ask') {
    const given = givenBy(released, { rubric: record.rubric, points: record.classBrief.points });
    if (!isAbout(given.scheme, act.criterion)) return fail({ code: 'not-found' });
    await deps.db.transaction(async (tx) => {
      await addCriterionTalk(tx, key, { ...act, author: actor.id, at: deps.now });
      await tellTalk(tx, deps.now, key, { id: act.id, by: actor.id, student: actor.id });
    });
    return ok(null);
  }
  const comment = released.mark.comments.find((c) => c.id === act.comment);
  if (!comment) return fail({ code: 'not-found' });
  switch (act.do) {
    case 'answer':
      await deps.db.transaction(async (tx) => {
        await addAnswer(tx, key, { ...act, author: actor.id, at: deps.now });
        await tellTalk(tx, deps.now, key, { id: act.id, by: actor.id, student: actor.id });
      });
      return ok(null);
    case 'understood':
    case 'not-understood':
      await setUnderstood(deps.db, key, comment.id, act.do === 'understood' ? deps.now : null);
      return ok(null);
    case 'take-along':
      return takeAlong(deps, actor, slug, comment);
  }
}

/** Puts a comment into the note to oneself of the course's next discussion that is not over: where one writes next, one reads it. */
async function takeAlong(
  deps: Deps,
  actor: Actor,
  slug: string,
  comment: Comment,
): Promise<Result<null, Failure>> {
  return deps.db.transaction(async (tx) => {
    const door = await enterDiscussion(deps, actor, slug, tx);
    if (!door.ok) return door;
    const { course } = door.value.record;
    const [next] = (await ask(discussionsOf(tx, actor.id, { course: course.id })))
      .filter((r) => r.slug !== slug && deps.now < resolveSchedule(r.timetable).closes)
      .sort((a, b) => a.timetable.responseDue.localeCompare(b.timetable.responseDue));
    if (!next) return fail({ code: 'no-next' as const });
    const { before } = await askTogether(tx, { before: noteToSelf(tx, actor.id, next.id) });
    const said = [
      `On “${comment.anchor.exact.slice(0, 120)}” in ${door.value.record.title}:`,
      comment.body.trim() || (comment.instead ? `better: “${comment.instead}”` : 'struck'),
    ].join(' ');
    if (!before?.body.includes(said))
      await putNoteToSelf(
        tx,
        { course: course.id, discussion: next.id, person: actor.id },
        { body: [before?.body, said].filter(Boolean).join('\n\n').slice(0, 20_000), keptAt: deps.now },
      );
    return ok(null);
  });
}

/** Staff answer what a student said about a comment, or asked about a criterion. */
export async function answerAsStaff(
  deps: Deps,
  actor: Actor,
  at: { slug: string; name: string; person: string },
  answer: z.output<typeof answerSchema>,
): Promise<Result<null, NotFound>> {
  const door = await enterDesk(deps, actor, at.slug);
  if (!door.ok) return door;
  const found = await discussionOnDesk(deps.db, actor, door.value, at.name);
  if (!found.ok) return found;
  const person = personId(at.person);
  const discussion = found.value.record.id;
  const [released] = await ask(releasedTo(deps.db, person, discussion));
  if (!released) return fail({ code: 'not-found' });
  const key = { course: door.value.id, discussion, person };
  const { about, id } = answer;
  const said = { id, body: storable(answer.body), author: actor.id, at: deps.now };
  if ('comment' in about) {
    if (!released.mark.comments.some((c) => c.id === about.comment)) return fail({ code: 'not-found' });
    await deps.db.transaction(async (tx) => {
      await addAnswer(tx, key, { ...said, comment: about.comment });
      await tellTalk(tx, deps.now, key, { id, by: actor.id, student: person });
    });
  } else {
    const { rubric, classBrief } = found.value.record;
    const given = givenBy(released, { rubric, points: classBrief.points });
    if (!isAbout(given.scheme, about.criterion)) return fail({ code: 'not-found' });
    await deps.db.transaction(async (tx) => {
      await addCriterionTalk(tx, key, { ...said, criterion: about.criterion });
      await tellTalk(tx, deps.now, key, { id, by: actor.id, student: person });
    });
  }
  return ok(null);
}
