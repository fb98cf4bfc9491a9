import type { AnyNode, BlockKind } from '../kind';
import { escapeHtml, escapeMarkdown } from '../written';

/**
 * How something goes out that cannot travel: as words that stand for it.
 * @example inWords((clip) => clip.attrs.title) // text, HTML, Markdown and a line that all say the title
 */
export const inWords = <N extends AnyNode>(
  words: (node: N) => string,
): Pick<BlockKind<N>, 'text' | 'html' | 'markdown' | 'office'> => ({
  text: words,
  html: (node) => `<p>${escapeHtml(words(node))}</p>`,
  markdown: (node) => escapeMarkdown(words(node)),
  office: (node) => [{ block: 'line', as: 'text', runs: [{ run: 'text', text: words(node), marks: [] }] }],
});
