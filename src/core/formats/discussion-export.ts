import type { Doc } from '../document/nodes';
import type { HtmlOut } from '../document/kind';
import { plainText } from '../document/flatten';
import { escapeHtml } from '../document/written';
import { htmlOf } from './to-html';
import { markdownOf } from './to-markdown';

/** A post as an export says it. Words that are for people (times, names of kinds) come from whoever asks. */
export type ExportedPost = {
  id: number;
  /** How deep it stands under a response; that itself is 0. */
  depth: number;
  kind: 'response' | 'reply';
  author: string;
  staff: boolean;
  answers: number | null;
  privateTo: string | null;
  sharedAt: number;
  changedAt: number;
  title: string;
  doc: Doc;
  gone: 'withdrawn' | 'hidden' | null;
};

/** A discussion as one person could read it at a moment, its posts in reading order. */
export type ExportedDiscussion = {
  course: string;
  title: string;
  week: number;
  prompt: Doc;
  at: number;
  posts: readonly ExportedPost[];
};

/** How an export words what is not the posts' own text. */
export type ExportWords = {
  /** Over a post: who, what, when. */
  line: (post: ExportedPost) => string;
  /** In place of a text that is no longer there. */
  gone: (how: 'withdrawn' | 'hidden') => string;
  /** Under the title: for whom, when, how many. */
  about: string;
  prompt: string;
  posts: string;
};

type Picture = (file: string) => string | null;

const STYLE =
  'body{max-width:46rem;margin:2rem auto;padding:0 1rem;font:17px/1.55 Georgia,serif;color:#1f1e1a;background:#fdfcf7}' +
  'h1,h2,h3{line-height:1.25}header p,.line{color:#57544a;font:14px/1.4 sans-serif}' +
  'article{border-top:1px solid #d8d2c1;padding:.8rem 0}img{max-width:100%;height:auto}' +
  'blockquote{margin-left:0;padding-left:1rem;border-left:3px solid #d8d2c1}' +
  'table{border-collapse:collapse}td,th{border:1px solid #d8d2c1;padding:.2rem .5rem}' +
  '@media(prefers-color-scheme:dark){body{color:#efeadb;background:#22211b}header p,.line{color:#c6c0ae}}';

/** The steps to the right end where a phone's screen would. */
const MOST_STEPS = 6;

/**
 * A discussion as one page that needs nothing else: no script, nothing fetched.
 * @example a discussion of two posts is one page with two articles, `post-1` and `post-2`
 */
export function discussionAsHtml(
  d: ExportedDiscussion,
  words: ExportWords,
  picture: Picture,
  formula?: HtmlOut['formula'],
): string {
  const posts = d.posts.map((post) => {
    const indent = Math.min(post.depth, MOST_STEPS) * 1.1;
    const body = post.gone
      ? `<p><em>${escapeHtml(words.gone(post.gone))}</em></p>`
      : `${post.title ? `<h3>${escapeHtml(post.title)}</h3>` : ''}${htmlOf(post.doc, { picture, formula, within: `post-${post.id}-` })}`;
    return `<article id="post-${post.id}" style="margin-left:${indent.toFixed(1)}rem"><p class="line">${escapeHtml(words.line(post))}</p>${body}</article>`;
  });
  return (
    `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">` +
    `<meta http-equiv="Content-Security-Policy" content="default-src 'none'; img-src data:; style-src 'unsafe-inline'">` +
    `<title>${escapeHtml(d.title)}</title><style>${STYLE}</style></head><body><header><p>${escapeHtml(d.course)}</p>` +
    `<h1>${escapeHtml(d.title)}</h1><p>${escapeHtml(words.about)}</p></header><main><section><h2>${escapeHtml(words.prompt)}</h2>` +
    `${htmlOf(d.prompt, { picture, formula, within: 'prompt-' })}</section><section><h2>${escapeHtml(words.posts)}</h2>${posts.join('\n')}</section></main></body></html>\n`
  );
}

/**
 * A discussion as Markdown; a reply says which post it answers, for Markdown has no place to the right.
 * @example each post begins with `### ` and the line that says who wrote it and when
 */
export function discussionAsMarkdown(d: ExportedDiscussion, words: ExportWords, picture: Picture): string {
  const line = (text: string) => text.replace(/\s+/gu, ' ').replace(/([\\`*_[\]<>#|~])/gu, '\\$1');
  const posts = d.posts.map((post) =>
    [
      `### ${line(words.line(post))}`,
      post.gone ? `*${line(words.gone(post.gone))}*` : markdownOf(post.doc, { picture }).trim(),
    ]
      .flatMap((part, i) =>
        i === 1 && post.title && !post.gone ? [`**${line(post.title)}**`, part] : [part],
      )
      .join('\n\n'),
  );
  return [
    `# ${line(d.title)}`,
    line(`${d.course}. ${words.about}`),
    `## ${line(words.prompt)}`,
    markdownOf(d.prompt, { picture }).trim(),
    `## ${line(words.posts)}`,
    ...posts,
  ]
    .filter(Boolean)
    .join('\n\n')
    .concat('\n');
}

const iso = (ms: number) => new Date(ms).toISOString();

/**
 * A discussion as data: each text as words, as Markdown and as the document it is.
 * @example `{ "format": "pulpit-discussion", "version": 1, … }`
 */
export function discussionAsJson(d: ExportedDiscussion, picture: Picture): string {
  return `${JSON.stringify(
    {
      format: 'pulpit-discussion',
      version: 1,
      course: d.course,
      title: d.title,
      week: d.week,
      taken: iso(d.at),
      prompt: { text: plainText(d.prompt), document: d.prompt },
      posts: d.posts.map((p) => ({
        number: p.id,
        kind: p.kind,
        author: p.author,
        staff: p.staff,
        answers: p.answers,
        privateTo: p.privateTo,
        shared: iso(p.sharedAt),
        edited: p.changedAt === p.sharedAt ? null : iso(p.changedAt),
        gone: p.gone,
        title: p.title,
        text: p.gone ? '' : plainText(p.doc),
        markdown: p.gone ? '' : markdownOf(p.doc, { picture }),
        document: p.gone ? null : p.doc,
      })),
    },
    null,
    1,
  )}\n`;
}
