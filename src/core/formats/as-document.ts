import type { Doc } from '../document/nodes';
import { looksLikeHtml } from '../prompts/html';
import { documentFromHtml } from './from-html';
import { htmlFromMarkdown } from './from-markdown';

const TAG = /<\/?[a-z][a-z0-9]*(?:\s[^<>]*)?>/giu;
const MARKED_LINE = /^[ \t]*(?:#{1,6}[ \t]|[-*+][ \t]|\d{1,3}[.)][ \t]|\||>|`{3}|~{3})/gmu;

/** Whether the structure of a text is Markdown's: more of its lines begin with a sign than there are tags in it. */
const isMarked = (text: string) =>
  (text.match(MARKED_LINE)?.length ?? 0) >= Math.max(1, text.match(TAG)?.length ?? 0);

/**
 * A text that somebody pasted, whatever it is written in, as HTML. One tag in a text of headings and lists does not make it HTML.
 * @example htmlOfText('**a**') // '<p><strong>a</strong></p>'
 */
export const htmlOfText = (text: string): string =>
  looksLikeHtml(text) && !isMarked(text) ? text : htmlFromMarkdown(text);

/**
 * The same as a document.
 * @example documentOf('a') // a document of one paragraph
 */
export const documentOf = (text: string): Doc => documentFromHtml(htmlOfText(text));
