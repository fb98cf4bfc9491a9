import { personId, type CourseId, type DiscussionId, type Instant, type PersonId } from '@/core/ids';
import type { Mark } from '@/core/marks/mark';
import type { SecondReading } from '@/core/marks/second';
import type { Ask } from '../ask';
import { timestamptz, type Db } from '../connection';
import { asMark, filesOfMark } from './marks';

type Place = { course: CourseId; discussion: DiscussionId };
const at = ({ course, discussion }: Place) => ({ course_id: course, discussion_id: discussion });

export type SecondRecord = SecondReading & { person: PersonId; reader: { id: PersonId; name: string } };

/** The second readings that are asked for in a discussion. */
export const secondsIn = (db: Db, place: Place): Ask<SecondRecord[]> => ({
  query: db('second_readings as s')
    .join('people as p', 'p.id', 's.reader_id')
    .where({ 's.course_id': place.course, 's.discussion_id': place.discussion })
    .select(
      's.person_id',
      's.reader_id',
      'p.name',
      's.mark',
      's.revision',
      's.settled_first',
      's.settled_second',
    ),
  read: (rows) =>
    rows.map((r) => ({
      person: personId(r.person_id),
      reader: { id: personId(r.reader_id), name: r.name },
      mark: r.mark && asMark(r.mark),
      revision: r.revision,
      settled:
        r.settled_first === null || r.settled_second === null
          ? null
          : { first: r.settled_first, second: r.settled_second },
    })),
});

/** Asks somebody to read these parts a second time; whose second reading is begun keeps its reader. */
export async function askSecond(db: Db, place: Place, people: readonly PersonId[], reader: PersonId) {
  await db('second_readings')
    .insert(people.map((person) => ({ ...at(place), person_id: person, reader_id: reader })))
    .onConflict(['course_id', 'discussion_id', 'person_id'])
    .merge(['reader_id'])
    .whereNull('second_readings.mark');
}

/** Takes second readings away, with what is written of them. */
export const dropSeconds = (db: Db, place: Place, people: readonly PersonId[]) =>
  db('second_readings')
    .where(at(place))
    .whereIn('person_id', [...people])
    .delete();

/** Keeps a second reading by its reader where nobody has written since `base`; the revision it has then, or null. */
export async function putSecond(
  db: Db,
  place: Place & { person: PersonId },
  written: { mark: Mark; reader: PersonId; base: number; at: Instant },
): Promise<number | null> {
  const rows: { revision: number }[] = await db('second_readings')
    .where({
      ...at(place),
      person_id: place.person,
      reader_id: written.reader,
      revision: written.base,
    })
    .update({
      mark: JSON.stringify(written.mark),
      files: filesOfMark(written.mark),
      revision: written.base + 1,
      written_at: timestamptz(written.at),
    })
    .returning('revision');
  return rows[0]?.revision ?? null;
}

/** Somebody has looked at the difference: the mark stands as it is in these keepings. */
export const settleSecond = (
  db: Db,
  place: Place & { person: PersonId },
  settled: { first: number; second: number },
) =>
  db('second_readings')
    .where({ ...at(place), person_id: place.person })
    .update({ settled_first: settled.first, settled_second: settled.second });
