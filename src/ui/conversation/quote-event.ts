import type { BlockNode } from '@/core/document/nodes';

/** A passage of a post on the facing page, on its way into the reply. */
export type QuotedPassage = { text: string; author: string; post: number };

/** Sends a passage of the facing post into the reply. */
export const QUOTE_EVENT = 'pulpit-quote';

export const isQuotedPassage = (value: unknown): value is QuotedPassage =>
  typeof value === 'object' && value !== null && 'text' in value && 'author' in value && 'post' in value;

/**
 * The blocks of a quotation from a post: its words, then whose they are as the writer's own line. Where posts have no numbers
 * that others know, the name stands alone.
 */
export const quotedPassage = ({ text, author, post }: QuotedPassage, numbered: boolean): BlockNode[] => [
  { type: 'blockquote', content: [{ type: 'paragraph', content: [{ type: 'text', text: `“${text}”` }] }] },
  {
    type: 'paragraph',
    content: numbered
      ? [
          { type: 'text', text: `(${author}, ` },
          { type: 'text', text: `#${post}`, marks: [{ type: 'postReference', attrs: { post } }] },
          { type: 'text', text: ')' },
        ]
      : [{ type: 'text', text: `(${author})` }],
  },
];
