import { z } from 'zod';
import type { Doc } from '../document/nodes';
import { parseDocument } from '../document/document';

const moment = z.iso.datetime();
/** Any document: what may be in one is asked of its own kinds when it is read back. */
const document = z.object({ type: z.literal('doc'), content: z.array(z.looseObject({ type: z.string() })) });

/**
 * A discussion as data, as its readers take it along. Its published form is `docs/schemas/discussion-1.json`; a later version may say more, and
 * whatever reads one leaves out what it does not know.
 */
export const discussionFile = z.object({
  format: z.literal('pulpit-discussion'),
  version: z.literal(1),
  course: z.string(),
  title: z.string(),
  week: z.number().int(),
  taken: moment,
  prompt: z.object({ text: z.string(), document }),
  posts: z.array(
    z.object({
      number: z.number().int(),
      kind: z.enum(['response', 'reply']),
      author: z.string(),
      staff: z.boolean(),
      answers: z.number().int().nullable(),
      privateTo: z.string().nullable(),
      shared: moment,
      edited: moment.nullable(),
      gone: z.enum(['withdrawn', 'hidden']).nullable(),
      title: z.string(),
      text: z.string(),
      markdown: z.string(),
      document: document.nullable(),
    }),
  ),
});

/**
 * The prompt of such a file, to be used again; null where it is none. Its posts are the words of the people who wrote them, and stay where they were.
 * @example readDiscussionFile('{}') // null
 */
export function readDiscussionFile(
  text: string,
): { course: string; title: string; week: number; prompt: Doc; posts: number } | null {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return null;
  }
  const read = discussionFile.safeParse(json);
  if (!read.success) return null;
  const prompt = parseDocument(read.data.prompt.document);
  if (!prompt.ok) return null;
  const { course, title, week, posts } = read.data;
  return { course, title, week, prompt: prompt.value, posts: posts.length };
}
