import type { Doc } from '../document/nodes';
import { escapeHtml } from '../document/written';
import { htmlOf } from '../formats/to-html';
import { markdownOf } from '../formats/to-markdown';

export type OwnText = {
  /** "Response" or "Reply to #12", with what else is to be said of it. */
  line: string;
  course: string;
  discussion: string;
  title: string;
  doc: Doc;
  /** The signed receipt of it, to be verified by any program with the keys that lie beside. */
  receipt?: unknown;
};

/** Everything of one person, as it is put into an archive. What is shared has a text for each version. */
export type Mine = {
  name: string;
  email: string;
  /** Under the name: when it was taken, and from where. */
  about: string;
  shared: readonly OwnText[];
  drafts: readonly OwnText[];
  /** Kept as data, in open forms: notes, sources as CSL-JSON, marks, what is said of oneself. */
  data: Readonly<Record<string, unknown>>;
  files: readonly { id: string; path: string; name: string }[];
};

const STYLE =
  'body{max-width:46rem;margin:2rem auto;padding:0 1rem;font:17px/1.55 Georgia,serif;color:#1f1e1a;background:#fdfcf7}' +
  'h1,h2,h3{line-height:1.25}.line{color:#57544a;font:14px/1.4 sans-serif}article{border-top:1px solid #d8d2c1;padding:.8rem 0}' +
  'img{max-width:100%;height:auto}@media(prefers-color-scheme:dark){body{color:#efeadb;background:#22211b}.line{color:#c6c0ae}a{color:#9cc4e4}}';

const safe = (text: string) =>
  text
    .normalize('NFC')
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-+|-+$/gu, '')
    .slice(0, 60) || 'text';

/**
 * A name for a file within an archive: what it is called, with a number before it that keeps two apart. No way up or down a folder is
 * in it.
 *
 * @example archiveName(3, 'GEO 115/../x.md') // '003-GEO-115-x-md'
 */
export const archiveName = (n: number, called: string) => `${String(n).padStart(3, '0')}-${safe(called)}`;

/**
 * The texts of an archive, each with its place in it: one page that reads by itself, every text as Markdown beside, and the rest as JSON.
 *
 * @example archiveTexts(mine).map((t) => t.path) // ['index.html', 'shared/001-GEO-115-Levees.md', …, 'data/notes.json']
 */
export function archiveTexts(mine: Mine): { path: string; text: string }[] {
  const texts: { path: string; text: string }[] = [];
  const data = (path: string, value: unknown) =>
    void texts.push({ path, text: `${JSON.stringify(value, null, 2)}\n` });
  const places = new Map(mine.files.map((f) => [f.id, f.path]));
  const part = (title: string, folder: string, all: readonly OwnText[]) => {
    const articles = all.map((own, i) => {
      const name = archiveName(i + 1, `${own.course} ${own.discussion}`);
      const path = `${folder}/${name}.md`;
      const head = own.title ? `# ${own.title.replace(/\s+/gu, ' ')}\n\n` : '';
      texts.push({ path, text: `${head}${markdownOf(own.doc).trim()}\n` });
      if (own.receipt) data(`receipts/${name}.json`, own.receipt);
      const receipt = own.receipt ? ` · <a href="receipts/${name}.json">its receipt</a>` : '';
      const html = htmlOf(own.doc, {
        within: `${folder}-${i}-`,
        picture: (file) => places.get(file) ?? null,
      });
      return (
        `<article><p class="line">${escapeHtml(`${own.course} · ${own.discussion} · ${own.line}`)} · <a href="${path}">as a file</a>${receipt}</p>` +
        `${own.title ? `<h3>${escapeHtml(own.title)}</h3>` : ''}${html}</article>`
      );
    });
    return `<section><h2>${title}</h2>${articles.join('\n') || '<p>None.</p>'}</section>`;
  };
  const shared = part('What you shared', 'shared', mine.shared);
  const drafts = part('Your drafts', 'drafts', mine.drafts);
  const rest = Object.entries({ ...mine.data, files: mine.files }).map(([name, value]) => {
    data(`data/${name}.json`, value);
    return `<li><a href="data/${name}.json">${escapeHtml(name)}</a></li>`;
  });
  const files = mine.files.map((f) => `<li><a href="${escapeHtml(f.path)}">${escapeHtml(f.name)}</a></li>`);
  const index =
    `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">` +
    `<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; img-src 'self' file:">` +
    `<title>${escapeHtml(mine.name)}</title><style>${STYLE}</style></head><body><header><h1>${escapeHtml(mine.name)}</h1>` +
    `<p class="line">${escapeHtml(`${mine.email} · ${mine.about}`)}</p></header><main>${shared}${drafts}` +
    `<section><h2>Notes, sources, marks and settings</h2><ul>${rest.join('')}</ul></section>` +
    `<section><h2>Files</h2>${files.length ? `<ul>${files.join('')}</ul>` : '<p>None.</p>'}</section></main></body></html>\n`;
  return [{ path: 'index.html', text: index }, ...texts];
}
