import { z } from 'zod';
import { wallClockAt } from '../deadlines/wallclock';
import { withKnownFiles } from '../document/attachments';
import { parseDocument } from '../document/document';
import { withKnownNames } from '../document/names';
import type { Doc } from '../document/nodes';
import type { Block, Found } from '../elsewhere/blocks';
import { instant } from '../ids';

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

export type DiscussionFile = z.infer<typeof discussionFile>;

/** A text of another place as it can stand here: what it carries, whom and which posts it names are words, for here they would be others'. */
const inWords = (doc: Doc): Doc =>
  withKnownNames(withKnownFiles(doc, new Map()), { person: () => null, post: () => false });

/**
 * Such a file with its prompt as a document; null where it is none.
 * @example readDiscussionFile('{}') // null
 */
export function readDiscussionFile(text: string): { file: DiscussionFile; prompt: Doc } | null {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return null;
  }
  const read = discussionFile.safeParse(json);
  const prompt = read.success ? parseDocument(read.data.prompt.document) : null;
  return read.success && prompt?.ok ? { file: read.data, prompt: inWords(prompt.value) } : null;
}

/**
 * The same as a discussion found elsewhere: every post with its author, its time in `zone` and what it answers. Nothing of it is guessed; a post that
 * was taken away there has no words to be put in.
 * @example blocksOfDiscussion(read, 'UTC').blocks[0].kind // 'prompt'
 */
export function blocksOfDiscussion(
  { file, prompt }: NonNullable<ReturnType<typeof readDiscussionFile>>,
  zone: string,
): Found {
  const place = new Map(file.posts.map((p, i) => [p.number, i + 1]));
  return {
    title: file.title,
    course: file.course,
    blocks: [
      {
        kind: 'prompt',
        author: '',
        staff: true,
        wall: null,
        to: null,
        because: null,
        title: '',
        doc: prompt,
      },
      ...file.posts.map((p): Block => {
        const doc = p.gone || !p.document ? null : parseDocument(p.document);
        return {
          kind: doc?.ok ? p.kind : 'other',
          author: p.author,
          staff: p.staff,
          wall: wallClockAt(instant(Date.parse(p.shared)), zone),
          to: p.answers === null ? null : (place.get(p.answers) ?? null),
          because: null,
          title: p.title.slice(0, 160),
          doc: doc?.ok ? inWords(doc.value) : { type: 'doc', content: [{ type: 'paragraph' }] },
        };
      }),
    ],
  };
}
