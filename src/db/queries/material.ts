import type { CourseId, DiscussionId } from '@/core/ids';
import type { Brief } from '@/core/brief/brief';
import type { Doc } from '@/core/document/nodes';
import { plainText } from '@/core/document/flatten';
import { viewingsIn } from '@/core/viewings/viewing';
import type { Db } from '../connection';
import { promptColumns } from './doc-columns';

/** The words of a prompt that Find looks through: its text and its questions. */
export const promptPlain = (prompt: Doc, brief: Pick<Brief, 'parts'>) =>
  [plainText(prompt), ...brief.parts.map((p) => p.text)].join('\n');

/** A reading's text, held until the transaction ends; null where the text is not in Pulpit. */
export async function lockedReading(db: Db, place: { course: CourseId; reading: string }) {
  const row = await db('readings')
    .where({ course_id: place.course, id: place.reading })
    .forUpdate()
    .first('doc');
  return (row?.doc ?? null) as Doc | null;
}

/** A prompt's text, held until the transaction ends. */
export async function lockedPrompt(db: Db, discussion: DiscussionId) {
  const row = await db('discussions').where({ id: discussion }).forUpdate().first('prompt');
  return (row?.prompt ?? null) as Doc | null;
}

/** Puts a newer text in a prompt's place. What is to be watched is read out of the text only where nobody else said it. */
export const replacePrompt = (
  db: Db,
  discussion: { id: DiscussionId; brief: Brief; outside: boolean },
  prompt: Doc,
) =>
  db('discussions')
    .where({ id: discussion.id })
    .update({
      ...promptColumns(prompt),
      prompt_plain: promptPlain(prompt, discussion.brief),
      ...(discussion.outside ? { viewings: JSON.stringify(viewingsIn(prompt)) } : {}),
    });
