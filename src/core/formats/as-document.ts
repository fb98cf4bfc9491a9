import type { Doc } from '../document/nodes';
import { looksLikeHtml } from '../prompts/html';
import { documentFromHtml } from './from-html';
import { htmlFromMarkdown } from './from-markdown';

/**
 * A text that somebody pasted, whatever it is written in, as HTML.
 * @example htmlOfText('**a**') // '<p><strong>a</strong></p>'
 */
export const htmlOfText = (text: string): string => (looksLikeHtml(text) ? text : htmlFromMarkdown(text));

/**
 * The same as a document.
 * @example documentOf('a') // a document of one paragraph
 */
export const documentOf = (text: string): Doc => documentFromHtml(htmlOfText(text));
