import { instant, personId, type CourseId, type DiscussionId, type Instant, type PersonId } from '@/core/ids';
import type { Ask } from '../ask';
import { timestamptz, type Db } from '../connection';

/** Whose mark in which discussion. */
export type MarkKey = { course: CourseId; discussion: DiscussionId; person: PersonId };
const keyOf = ({ course, discussion, person }: MarkKey) => ({
  course_id: course,
  discussion_id: discussion,
  person_id: person,
});

/** Something that was said about a comment. */
export type AnswerRecord = {
  comment: string;
  id: string;
  author: { id: PersonId; name: string };
  body: string;
  madeAt: Instant;
};

/** Something that was asked about a criterion, or answered. */
export type CriterionSaid = Omit<AnswerRecord, 'comment'> & { criterion: string };

/** What was said about a mark, oldest first, each with what it is about. */
const saidOf = <T>(
  db: Db,
  key: MarkKey,
  { table, about }: { table: 'comment_answers' | 'mark_talk'; about: string },
  whole: (said: Omit<AnswerRecord, 'comment'>, about: string) => T,
): Ask<T[]> => ({
  query: db({ a: table })
    .join('people as p', 'p.id', 'a.author_id')
    .where({ 'a.course_id': key.course, 'a.discussion_id': key.discussion, 'a.person_id': key.person })
    .orderBy(['a.made_at', 'a.id'])
    .select(
      `a.${about} as about`,
      'a.id',
      'a.author_id',
      'p.name',
      'a.body',
      db.raw('round(extract(epoch from a.made_at) * 1000) as made_at'),
    ),
  read: (rows) =>
    rows.map((r) =>
      whole(
        {
          id: r.id,
          author: { id: personId(r.author_id), name: r.name },
          body: r.body,
          madeAt: instant(Number(r.made_at)),
        },
        r.about,
      ),
    ),
});

/** What was said about the comments of a mark. */
export const answersOf = (db: Db, key: MarkKey): Ask<AnswerRecord[]> =>
  saidOf(db, key, { table: 'comment_answers', about: 'comment_id' }, (said, comment) => ({
    ...said,
    comment,
  }));

/** What was asked about the criteria of a mark and answered. */
export const criterionTalk = (db: Db, key: MarkKey): Ask<CriterionSaid[]> =>
  saidOf(db, key, { table: 'mark_talk', about: 'criterion' }, (said, criterion) => ({ ...said, criterion }));

/** Takes down what is said about a criterion; the same twice is one. */
export const addCriterionTalk = (
  db: Db,
  key: MarkKey,
  said: { criterion: string; id: string; author: PersonId; body: string; at: Instant },
) =>
  db('mark_talk')
    .insert({
      ...keyOf(key),
      criterion: said.criterion,
      id: said.id,
      author_id: said.author,
      body: said.body,
      made_at: timestamptz(said.at),
    })
    .onConflict()
    .ignore();

/** The comments of a mark that its student has marked as understood. */
export const understoodOf = (db: Db, key: MarkKey): Ask<string[]> => ({
  query: db('comments_understood').where(keyOf(key)).select('comment_id'),
  read: (rows) => rows.map((r) => r.comment_id as string),
});

/** Takes down an answer; the same one twice is one. */
export const addAnswer = (
  db: Db,
  key: MarkKey,
  answer: { comment: string; id: string; author: PersonId; body: string; at: Instant },
) =>
  db('comment_answers')
    .insert({
      ...keyOf(key),
      comment_id: answer.comment,
      id: answer.id,
      author_id: answer.author,
      body: answer.body,
      made_at: timestamptz(answer.at),
    })
    .onConflict()
    .ignore();

export async function setUnderstood(db: Db, key: MarkKey, comment: string, at: Instant | null) {
  const row = { ...keyOf(key), comment_id: comment };
  if (at === null) await db('comments_understood').where(row).delete();
  else
    await db('comments_understood')
      .insert({ ...row, understood_at: timestamptz(at) })
      .onConflict()
      .ignore();
}

/** Students of a discussion who asked something about their mark that nobody has answered. */
export const askingIn = (
  db: Db,
  { course, discussion }: Pick<MarkKey, 'course' | 'discussion'>,
): Ask<Set<PersonId>> => ({
  query: db('mark_asks').where({ course_id: course, discussion_id: discussion }).select('person_id'),
  read: (rows) => new Set(rows.map((r) => personId(r.person_id))),
});
