import { diffWordsWithSpace } from 'diff';
import { attachmentsIn } from '../document/attachments';
import { standInWords } from '../document/carried';
import type { Doc } from '../document/nodes';
import { flatten } from '../document/flatten';
import { spoken } from '../document/inline';

/** A stretch of two texts: in both, or only in the one or the other. */
export type Stretch = { kind: 'same' | 'only-first' | 'only-second'; text: string };
export type Compared = { stretches: Stretch[]; onlyFirst: number; onlySecond: number };

/** After so much work two texts are as good as wholly different, and are shown as such. */
const MOST_EDITS = 4_000;

const wordsIn = (text: string) => text.match(/[\p{L}\p{N}]+(?:['’-][\p{L}\p{N}]+)*/gu)?.length ?? 0;

// What a text carries is a line of its own, so that a picture more or less is seen.
const linesOf = (text: { title: string; doc: Doc }) =>
  [
    text.title,
    ...[
      ...flatten(text.doc).map((l) => ({ pos: l.pos, said: l.part ? `${l.part}. ${l.text}` : spoken(l) })),
      ...attachmentsIn(text.doc).map((a) => ({ pos: a.pos, said: standInWords(a.node) })),
    ]
      .sort((a, b) => a.pos - b.pos)
      .map((line) => line.said),
  ]
    .filter((line) => line.trim() !== '')
    .join('\n');

/**
 * Two texts word by word, with how many words stand only in the one and only in the other. All stretches of the first
 * and the same ones, put together, are the first text; likewise the second.
 *
 * @example "The wall held" and "The wall fell" differ by one word each
 */
export function difference(
  first: { title: string; doc: Doc },
  second: { title: string; doc: Doc },
): Compared {
  const [a, b] = [linesOf(first), linesOf(second)];
  const changes = diffWordsWithSpace(a, b, { maxEditLength: MOST_EDITS }) ?? [
    { value: a, removed: true, added: false },
    { value: b, removed: false, added: true },
  ];
  const stretches = changes.map((c): Stretch => ({
    kind: c.removed ? 'only-first' : c.added ? 'only-second' : 'same',
    text: c.value,
  }));
  const count = (kind: Stretch['kind']) =>
    stretches.filter((s) => s.kind === kind).reduce((n, s) => n + wordsIn(s.text), 0);
  return { stretches, onlyFirst: count('only-first'), onlySecond: count('only-second') };
}

const AROUND_WORDS = 12;

/**
 * The same stretches with long passages that are alike cut down to the words around what differs.
 * @example a hundred words that are alike become a few, with an ellipsis in the midst
 */
export function abridged(stretches: readonly Stretch[]): Stretch[] {
  return stretches.map((s, i): Stretch => {
    if (s.kind !== 'same') return s;
    const pieces = s.text.split(/(?<=\s)/u);
    if (pieces.length <= 3 * AROUND_WORDS) return s;
    const head = i === 0 ? '' : pieces.slice(0, AROUND_WORDS).join('');
    const tail = i === stretches.length - 1 ? '' : pieces.slice(-AROUND_WORDS).join('');
    return { kind: 'same', text: `${head} … ${tail}` };
  });
}

/**
 * Both texts in one: the second beneath the first, a line between them, so that no word of either is lost.
 * @example both(a, b).content.length // a's blocks, a line, b's blocks
 */
export const both = (first: Doc, second: Doc): Doc => ({
  type: 'doc',
  content: [...first.content, { type: 'horizontalRule' }, ...second.content],
});
