import type { Doc } from '../posts/document';
import { looksLikeHtml } from '../prompts/html';
import { documentFromHtml } from './from-html';
import { documentFromMarkdown } from './from-markdown';

/** A text that somebody pasted, whatever it is written in, as a document. */
export const documentOf = (text: string): Doc =>
  looksLikeHtml(text) ? documentFromHtml(text) : documentFromMarkdown(text);
