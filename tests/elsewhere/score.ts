import { discussionInHtml, discussionInText, type FoundDiscussion } from '@/core/elsewhere/find-discussion';
import { nameKey } from '@/core/elsewhere/names';
import { SAVED, type SavedPage } from './page';

const plain = (text: string) =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

export type Score = {
  posts: number;
  found: number;
  parents: number;
  clean: number;
  more: number;
  /** Moments that are read as other ones. */
  late: number;
  prompt: boolean;
  title: boolean;
  wrong: string[];
};

export const readPage = ({ content }: SavedPage): FoundDiscussion =>
  /^\s*</u.test(content) ? discussionInHtml(content, SAVED) : discussionInText(content, SAVED);

/**
 * How much of a page is read right: posts with the right author, those of them that answer the right post, those whose text holds nothing
 * but theirs, and how many posts are found that are none.
 */
export function scorePage(page: SavedPage): Score {
  const read = readPage(page);
  const wrong: string[] = [];
  const matches = page.of.posts.map((p) => {
    const begins = plain(p.text[0] ?? '').slice(0, 40);
    const i = read.posts.findIndex(
      (f) => plain(f.text).includes(begins) && nameKey(f.author) === nameKey(p.author),
    );
    if (i < 0) wrong.push(`not found: ${p.author}: ${p.text[0]?.slice(0, 40)}`);
    return i;
  });
  let parents = 0;
  let clean = 0;
  let late = 0;
  page.of.posts.forEach((p, i) => {
    const found = read.posts[matches[i] ?? -1];
    if (!found) return;
    if (found.wall !== null && found.wall !== p.at) {
      late += 1;
      wrong.push(`moment of ${p.author}: ${found.wall}, is ${p.at}`);
    }
    const right = p.parent === null ? null : (matches[p.parent] ?? -1);
    if (found.parent === right) parents += 1;
    else
      wrong.push(
        `parent of ${p.author} “${p.text[0]?.slice(0, 25)}”: ${found.parent} (${found.because}), is ${right}`,
      );
    const words = plain(found.text).split(' ').length;
    const own = plain(p.text.join(' ')).split(' ').length;
    if (page.quotes || Math.abs(words - own) <= 2) clean += 1;
    else
      wrong.push(
        `text of ${p.author}: ${words} words, are ${own}: ${found.text.slice(0, 60).replace(/\n/gu, '⏎')} … ${found.text.slice(-40).replace(/\n/gu, '⏎')}`,
      );
  });
  const prompt = plain(read.prompt?.text ?? '').includes(plain(page.of.prompt[0] ?? '').slice(0, 60));
  const title =
    plain(read.title).includes(plain(page.of.title)) ||
    plain(page.of.title).includes(plain(read.title) || '-');
  return {
    posts: page.of.posts.length,
    found: matches.filter((i) => i >= 0).length,
    parents,
    clean,
    more: read.posts.length - new Set(matches.filter((i) => i >= 0)).size,
    late,
    prompt,
    title,
    wrong,
  };
}

/** The same for several pages together. */
export function scoreAll(pages: readonly SavedPage[]) {
  const all = pages.map((p) => ({ name: p.name, ...scorePage(p) }));
  const sum = (of: (s: Score) => number) => all.reduce((n, s) => n + of(s), 0);
  const posts = sum((s) => s.posts);
  return {
    all,
    authors: sum((s) => s.found) / posts,
    parents: sum((s) => s.parents) / posts,
    clean: sum((s) => s.clean) / posts,
    more: sum((s) => s.more),
    late: sum((s) => s.late) / posts,
    prompts: sum((s) => Number(s.prompt)) / all.length,
    titles: sum((s) => Number(s.title)) / all.length,
  };
}
