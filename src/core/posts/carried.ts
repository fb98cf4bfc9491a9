import type { Carried } from './document';

const CARRIED = new Set<string>(['picture', 'file', 'clip', 'embed']);
/** Whether a block is something carried, and no words. */
export const isCarried = <T extends { type: string }>(node: T): node is T & Carried => CARRIED.has(node.type);

/** The words that stand for what a text carries where only words can go. */
export function standInWords(node: Carried): string {
  switch (node.type) {
    case 'file':
      return `[File: ${node.attrs.name}]`;
    case 'clip':
      return `[Clip: ${node.attrs.title || 'without a title'}]`;
    case 'embed':
      return `[${node.attrs.site || 'Player'}: ${node.attrs.title || node.attrs.url}]`;
    case 'picture':
      return `[Picture: ${node.attrs.caption || node.attrs.alt || 'without a description'}]`;
  }
}
