import { type CourseId, type DiscussionId, type PersonId } from '@/core/ids';
import { type Db } from '../../connection';
import { mayRead, visible } from '../visible';

/** What a reader may look in: the posts of an open discussion that are in their sight, and the texts of their courses. */
export type Readable = {
  reader: { id: PersonId; staffIn: CourseId[] };
  within: DiscussionId[];
  /** Prompts that are shown to them, and the readings of their courses, are looked in as well. */
  prompts: DiscussionId[];
  courses: CourseId[];
};

/** Whether a post in sight of the class is in this reader's sight. */
export const inSight = (db: Db, { id, staffIn }: Readable['reader']) =>
  mayRead(db, id, db.raw('p.course_id = any(?::uuid[])', [staffIn]));

/**
 * For each word the words nearest to it that stand in what the reader may read, itself among them where it does. The vocabulary
 * is everybody's, so each neighbour is looked for in the reader's own texts, word for word, before it is one: that a word stands
 * elsewhere changes nothing.
 */
export async function nearWords(
  db: Db,
  { reader, within, prompts: shown, courses }: Readable,
  words: string[],
): Promise<Map<string, string[]>> {
  // The index knows stems; the word itself is then compared as it stands.
  const stands = (found: string, texts: string) =>
    `${found} @@ to_tsquery('english', c.word) and to_tsvector('simple', ${texts}) @@ to_tsquery('simple', c.word)`;
  const posts = db('post_texts as x')
    .join('posts as p', 'p.id', 'x.post_id')
    .whereIn('x.discussion_id', within)
    .where(visible(db, 'p'))
    .where(inSight(db, reader))
    .whereRaw(stands('x.found', `x.title || ' ' || x.plain`))
    .select(db.raw('1'));
  const prompts = db('discussions as d')
    .whereIn('d.id', shown)
    .whereRaw(stands('d.found', `d.title || ' ' || d.prompt_plain`))
    .select(db.raw('1'));
  const readings = db('readings as r')
    .whereIn('r.course_id', courses)
    .whereRaw(stands('r.found', `r.title || ' ' || r.author || ' ' || r.plain`))
    .select(db.raw('1'));
  const near = db
    .from(
      db.raw(
        `(select w.word from search_words w where w.word % a.word
          order by similarity(w.word, a.word) desc, w.word) c`,
      ),
    )
    .where((w) => void w.whereExists(posts).orWhereExists(prompts).orWhereExists(readings))
    .limit(4)
    .select('c.word');
  const rows: { asked: string; near: string[] }[] = await db
    .from(db.raw('unnest(?::text[]) a (word)', [words]))
    .select('a.word as asked', db.raw('array(?) as near', [near]));
  return new Map(rows.map((r) => [r.asked, r.near]));
}
