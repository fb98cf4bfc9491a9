import type { Hands } from '@/core/questions/hands';
import { instant, personId, type CourseId, type Instant, type PersonId, type PostId } from '@/core/ids';
import { timestamptz, type Db } from '../connection';

/** The show of hands that a question is; null where it is none. */
export async function handsOf(db: Db, post: PostId, hold = false): Promise<Hands | null> {
  const row = await db('hands')
    .where({ post_id: post })
    .modify((q) => {
      if (hold) q.forUpdate();
    })
    .first();
  if (!row) return null;
  const raised = await db('raised as r')
    .join('people as p', 'p.id', 'r.person_id')
    .where('r.post_id', post)
    .orderBy(['r.at', 'r.person_id', 'r.choice'])
    .select('r.person_id', 'p.name', 'r.choice');
  return {
    choices: row.choices,
    several: row.several,
    named: row.named,
    shown: row.shown,
    closes: instant(row.closes_at),
    raised: raised.map((r) => ({ person: personId(r.person_id), name: r.name, choice: r.choice })),
  };
}

export const insertHands = (
  db: Db,
  post: PostId,
  hands: Omit<Hands, 'raised' | 'closes'> & { closes: Instant },
) =>
  db('hands').insert({
    post_id: post,
    choices: JSON.stringify(hands.choices),
    several: hands.several,
    named: hands.named,
    shown: hands.shown,
    closes_at: timestamptz(hands.closes),
  });

/** Raises somebody's hand for these and no others. */
export async function raiseHands(
  db: Db,
  place: { course: CourseId; post: PostId; person: PersonId; now: Instant },
  choices: readonly number[],
) {
  await db('raised').where({ post_id: place.post, person_id: place.person }).delete();
  if (choices.length)
    await db('raised').insert(
      [...new Set(choices)].map((choice) => ({
        post_id: place.post,
        course_id: place.course,
        person_id: place.person,
        choice,
        at: timestamptz(place.now),
      })),
    );
}
