import { words } from '../text/words';
import type { Passage } from './passages';
import type { Evidence } from './types';

const key = (text: string) =>
  words(text)
    .map((w) => w.text.toLowerCase().replace(/’/gu, "'"))
    .join(' ');

/** Text between quotation marks or in a quotation block, with its place in the document. */
function quotedTexts(all: Passage[]): { text: string; at: Evidence }[] {
  return all.flatMap((p) => {
    const { line } = p;
    if (p.role === 'quote') {
      return [{ text: line.text, at: { from: line.pos, to: line.pos + line.text.length } }];
    }
    return p.quoted.map((q) => ({
      text: line.text.slice(q.start, q.end),
      at: { from: line.pos + q.start, to: line.pos + q.end },
    }));
  });
}

/**
 * The quotations of a reply that really stand in the classmate's post, compared by their words; `foreign` counts
 * those that do not. An ellipsis may leave something out: every piece around it must stand in the post.
 */
export function quotesOf(all: Passage[], source: string): { theirs: Evidence[]; foreign: number } {
  const haystack = ` ${key(source)} `;
  const quoted = quotedTexts(all).filter((q) => key(q.text) !== '');
  const theirs = quoted.filter((q) =>
    q.text
      .split(/…|\.\.\.|\[[^\]]*\]/u)
      .map(key)
      .filter((piece) => piece !== '')
      .every((piece) => haystack.includes(` ${piece} `)),
  );
  return { theirs: theirs.map((q) => q.at), foreign: quoted.length - theirs.length };
}
