import type { Brief } from '@/core/brief/brief';
import type { CourseId } from '@/core/ids';
import { plainText } from '@/core/document/flatten';
import type { Doc } from '@/core/document/nodes';
import { askTogether } from '@/db/ask';
import type { Db } from '@/db/connection';
import { readingTexts } from '@/db/queries/proofreading';
import type { Actor, Deps } from '../deps';
import { readFor } from '../readers/readers';
import { figuresNow, type Measured, type StoredFigures } from './figures';

/** The texts a response may quote from, where its brief asks for quotations; otherwise nothing is read. */
export async function quotable(
  db: Db,
  record: { brief: Brief; course: { id: CourseId }; week: { number: number } },
): Promise<string[]> {
  if (!record.brief.response.quotes) return [];
  const { found } = await askTogether(db, { found: readingTexts(db, record.course.id, record.week.number) });
  return found.map((r) => r.text);
}

const EMPTY: Doc = { type: 'doc', content: [] };

/**
 * Runs the core's checks on a text as it is kept or shared. A text that cannot be checked in the time there is is kept all
 * the same; it meets nothing then, as if it said nothing, until somebody reads it.
 */
export async function figuresOf(
  deps: Deps,
  actor: Pick<Actor, 'id'>,
  text: Measured,
): Promise<StoredFigures> {
  const plain = text.answered && { author: { name: text.answered.author.name }, plain: text.answered.plain };
  const read = await readFor(deps, actor, 'figures', { ...text, answered: plain });
  if (read.ok) return read.value;
  // Roughly: what counts here is that a long text is not taken for an empty one, of which no version would be kept.
  const words = plainText(text.doc).split(/\s+/u).filter(Boolean).length;
  return { ...figuresNow({ ...text, title: '', doc: EMPTY }), words };
}
