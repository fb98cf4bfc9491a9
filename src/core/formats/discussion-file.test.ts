import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { documentFromText } from '../document/compose';
import { discussionAsJson } from './discussion-export';
import { instantOf } from '../deadlines/wallclock';
import { blocksOfDiscussion, discussionFile, readDiscussionFile } from './discussion-file';

const post = {
  id: 12,
  depth: 0,
  kind: 'response' as const,
  author: 'Noor Vasquez',
  staff: false,
  answers: null,
  privateTo: null,
  sharedAt: Date.UTC(2026, 9, 14),
  changedAt: Date.UTC(2026, 9, 15),
  title: 'Walls',
  doc: documentFromText('The wall held.'),
  gone: null,
};
const prompt = documentFromText('Write 200 words about walls.');
const written = discussionAsJson(
  {
    course: 'GEO 115',
    title: 'Walls and meadows',
    week: 6,
    prompt,
    at: Date.UTC(2026, 9, 16),
    posts: [post, { ...post, id: 13, gone: 'withdrawn' }],
  },
  () => null,
);

it('a discussion’s data have the form that is published', () => {
  const published: unknown = JSON.parse(readFileSync('docs/schemas/discussion-1.json', 'utf8'));
  expect(z.toJSONSchema(discussionFile, { io: 'input' })).toEqual(published);
  expect(discussionFile.safeParse(JSON.parse(written)).error).toBeUndefined();
});
it('are read back, the prompt as it was', () => {
  const read = readDiscussionFile(written);
  expect(read?.prompt).toEqual(prompt);
  expect(read?.file).toMatchObject({ course: 'GEO 115', title: 'Walls and meadows', week: 6 });
  expect(read?.file.posts).toHaveLength(2);
});
it('are read back with every post, its author, its time on the reader’s clock and what it answers', () => {
  const read = readDiscussionFile(written);
  if (!read) throw new Error('not read');
  const { posts } = read.file;
  const { title, course, blocks } = blocksOfDiscussion(read, 'Europe/London');
  expect([title, course]).toEqual(['Walls and meadows', 'GEO 115']);
  expect(blocks[0]).toMatchObject({ kind: 'prompt', doc: prompt });
  for (const [i, post] of posts.entries()) {
    const block = blocks[i + 1];
    expect(block).toMatchObject({ kind: post.gone ? 'other' : post.kind, author: post.author });
    expect(instantOf(block?.wall ?? '', 'Europe/London')).toBe(
      Math.floor(Date.parse(post.shared) / 60_000) * 60_000,
    );
    expect(block?.to === null ? null : posts[(block?.to ?? 0) - 1]?.number).toBe(post.answers);
  }
});
it.each([
  ['nothing', ''],
  ['another file', '{"format":"something else","version":1}'],
  ['a later version', written.replace('"version": 1', '"version": 2')],
  ['a prompt that no editor wrote', written.replace('"type": "paragraph"', '"type": "marquee"')],
])('%s is none', (_name, text) => expect(readDiscussionFile(text)).toBeNull());
