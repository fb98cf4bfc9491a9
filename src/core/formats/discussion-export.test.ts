import { parse } from 'parse5';
import { documentFromMarkdown } from './from-markdown';
import {
  discussionAsHtml,
  discussionAsJson,
  discussionAsMarkdown,
  type ExportedDiscussion,
  type ExportedPost,
  type ExportWords,
} from './discussion-export';

const post = (over: Partial<ExportedPost>): ExportedPost => ({
  id: 1,
  depth: 0,
  kind: 'response',
  author: 'Noor Vasquez',
  staff: false,
  answers: null,
  privateTo: null,
  sharedAt: Date.UTC(2026, 9, 13, 10),
  changedAt: Date.UTC(2026, 9, 13, 10),
  title: '',
  doc: documentFromMarkdown('The wall *held*.[^1]\n\n[^1]: Until March.'),
  gone: null,
  ...over,
});
const discussion: ExportedDiscussion = {
  course: 'GEO 115 Rivers',
  title: 'Walls & <meadows>',
  week: 6,
  prompt: documentFromMarkdown('What held?'),
  at: Date.UTC(2026, 9, 14),
  posts: [
    post({ title: 'A # of <b>reasons</b>' }),
    post({ id: 2, depth: 1, kind: 'reply', author: 'Jun', answers: 1 }),
    post({
      id: 3,
      depth: 1,
      kind: 'reply',
      answers: 1,
      gone: 'hidden',
      title: '',
      doc: documentFromMarkdown('x'),
    }),
  ],
};
const words: ExportWords = {
  line: (p) => `#${p.id} ${p.author}`,
  gone: (how) => `It was ${how}.`,
  about: 'Three posts.',
  prompt: 'The prompt',
  posts: 'The posts',
};
const noPicture = () => null;

describe('a discussion as one page', () => {
  const html = discussionAsHtml(discussion, words, noPicture);
  it('is a page that says what was written as words, never as markup', () => {
    expect(html).toContain('<h1>Walls &amp; &lt;meadows&gt;</h1>');
    expect(html).toContain('A # of &lt;b&gt;reasons&lt;/b&gt;');
    expect(html).not.toContain('<script');
    const errors: string[] = [];
    parse(html, { onParseError: (e) => errors.push(e.code), sourceCodeLocationInfo: true });
    expect(errors).toEqual([]);
  });
  it('sets replies under what they answer, and keeps the notes of each post its own', () => {
    expect(html).toMatch(/id="post-2" style="margin-left:1\.1rem"/u);
    const ids = [...html.matchAll(/ id="([^"]+)"/gu)].map((m) => m[1]);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids).toContain('post-2-note-1');
  });
  it('says of what is gone that it is', () => {
    expect(html).toContain('<em>It was hidden.</em>');
  });
});

it('as Markdown no heading or name becomes more than its words', () => {
  const text = discussionAsMarkdown(discussion, words, noPicture);
  expect(text).toContain('# Walls & \\<meadows\\>');
  expect(text).toContain('### \\#1 Noor Vasquez');
  expect(text).toContain('**A \\# of \\<b\\>reasons\\</b\\>**');
  expect(text).toContain('*It was hidden.*');
});

it('as JSON every post has its number, what it answers and its text, and nothing of what is gone', () => {
  const data = JSON.parse(discussionAsJson(discussion, noPicture)) as {
    posts: {
      number: number;
      answers: number | null;
      text: string;
      document: unknown;
      edited: string | null;
    }[];
  };
  expect(data.posts.map((p) => [p.number, p.answers])).toEqual([
    [1, null],
    [2, 1],
    [3, 1],
  ]);
  expect(data.posts[0]).toMatchObject({ text: 'The wall held. [Until March.]', edited: null });
  expect(data.posts[2]).toMatchObject({ text: '', document: null });
});
