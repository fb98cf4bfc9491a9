import { isCarried } from './carried';
import { leavesOf } from './blocks';
import { storable } from './document';
import { plainText } from './flatten';
import { namedIn } from './names';
import type { Doc } from './nodes';

const OPENING_LETTERS = 200;

/** What lists show of a post without reading its text. */
export type Outline = {
  /** How it begins in its own words: a quotation at its head does not run into them. At most 200 letters. */
  opening: string;
  /** Ids of the people its text names. */
  named: string[];
  /** The file of the first picture in it (or clip with one). */
  pictured: string | null;
  /** Whether there is a picture or a clip in it. */
  carries: boolean;
};

/**
 * The outline of a text, kept with each version of a post.
 * @example outlineOf(documentFromText('> A wall.\n\nMine.')).opening // 'Mine.'
 */
export function outlineOf(doc: Doc): Outline {
  const own = doc.content.find(
    (block) =>
      block.type !== 'blockquote' &&
      block.type !== 'partHeading' &&
      plainText({ type: 'doc', content: [block] }) !== '',
  );
  const carried = leavesOf(doc.content).filter(isCarried);
  const pictured = carried.find(
    (node) => node.type === 'picture' || (node.type === 'clip' && node.attrs.video),
  );
  const begins = plainText(own ? { type: 'doc', content: [own] } : doc).replace(/\s+/gu, ' ');
  return {
    opening: storable(begins.slice(0, OPENING_LETTERS)),
    named: namedIn(doc).people,
    pictured: pictured && 'file' in pictured.attrs ? pictured.attrs.file : null,
    carries: carried.some((node) => node.type === 'picture' || node.type === 'clip'),
  };
}
