import { mapLeaves } from './blocks';
import type { BlockNode, Doc, InlineNode, Mark } from './nodes';

/** Somebody, or a post, that a text may name. */
export type NamedPerson = { id: string; name: string };
export type NamedPost = { id: number; author: string; opening: string };

/** Letters without case and accents: what is compared when somebody types a name. */
const folded = (text: string) => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

/**
 * The people whose name, or a later part of it, begins with what was typed; those whose first name does come first.
 * @example namesMatching([{ id: 'n', name: 'Noor Vasquez' }], 'vas') // Noor
 */
export function namesMatching<T extends NamedPerson>(people: readonly T[], typed: string): T[] {
  const wanted = folded(typed.trim());
  const at = (name: string) => {
    const text = folded(name);
    if (text.startsWith(wanted)) return 0;
    return text.split(/[\s-]+/u).some((part) => part.startsWith(wanted)) || text.includes(` ${wanted}`)
      ? 1
      : -1;
  };
  return people
    .map((p) => ({ p, rank: at(p.name) }))
    .filter((m) => m.rank >= 0)
    .sort((a, b) => a.rank - b.rank || a.p.name.localeCompare(b.p.name, 'en'))
    .map((m) => m.p);
}

/** Whether words of a text may stand for a person: an `@` or none, then the name or the beginning or end of it. */
function standsFor(text: string, name: string): boolean {
  const said = folded(text.replace(/^@/u, '').trim());
  const whole = folded(name);
  return said !== '' && (whole === said || whole.startsWith(`${said} `) || whole.endsWith(` ${said}`));
}

type Known = { person: (id: string) => string | null; post: (id: number) => boolean };

/** Whether a mark may stand on these words. Neighbouring pieces of one mark are judged together. */
function mayStand(mark: Mark, words: string, known: Known): boolean {
  if (mark.type === 'mention') {
    const name = known.person(mark.attrs.person);
    return name !== null && standsFor(words, name);
  }
  if (mark.type === 'postReference') return words === `#${mark.attrs.post}` && known.post(mark.attrs.post);
  return true;
}

const sameTarget = (a: Mark, b: Mark) =>
  (a.type === 'mention' && b.type === 'mention' && a.attrs.person === b.attrs.person) ||
  (a.type === 'postReference' && b.type === 'postReference' && a.attrs.post === b.attrs.post);

const namingMark = (node: InlineNode | undefined) =>
  node?.type === 'text'
    ? node.marks?.find((m) => m.type === 'mention' || m.type === 'postReference')
    : undefined;

/** Inline content without the names and numbers that do not stand for what they say. Its words all stay. */
function sanitisedInline(content: InlineNode[], known: Known): InlineNode[] {
  return content.map((node, i) => {
    const mark = namingMark(node);
    if (!mark || node.type !== 'text') return node;
    let from = i;
    let to = i;
    const same = (at: number) => {
      const other = namingMark(content[at]);
      return other !== undefined && sameTarget(mark, other);
    };
    while (same(from - 1)) from -= 1;
    while (same(to + 1)) to += 1;
    const words = content
      .slice(from, to + 1)
      .map((n) => (n.type === 'text' ? n.text : ''))
      .join('');
    if (mayStand(mark, words, known)) return node;
    const marks = (node.marks ?? []).filter((m) => m !== mark);
    return { type: 'text', text: node.text, ...(marks.length ? { marks } : {}) };
  });
}

const mapInline = (nodes: BlockNode[], change: (content: InlineNode[]) => InlineNode[]): BlockNode[] =>
  mapLeaves(nodes, (node) =>
    (node.type === 'paragraph' || node.type === 'heading') && node.content
      ? [{ ...node, content: change(node.content) }]
      : [node],
  );

/**
 * Whom and which posts a document's marks name.
 * @example a text that mentions Noor and #12 gives `{ people: [Noor's id], posts: [12] }`
 */
export function namedIn(doc: Doc): { people: string[]; posts: number[] } {
  const people = new Set<string>();
  const posts = new Set<number>();
  mapInline(doc.content, (content) => {
    for (const node of content) {
      const mark = namingMark(node);
      if (mark?.type === 'mention') people.add(mark.attrs.person);
      else if (mark?.type === 'postReference') posts.add(mark.attrs.post);
    }
    return content;
  });
  return { people: [...people], posts: [...posts] };
}

/**
 * A document in which every mention stands on the name of somebody who may be named, and every reference on the number
 * of a post its writer may read. Others lose the mark and keep the words: a text is never refused for them.
 *
 * @example a mention of somebody of another course becomes plain words
 */
export const withKnownNames = (doc: Doc, known: Known): Doc => ({
  type: 'doc',
  content: mapInline(doc.content, (content) => sanitisedInline(content, known)),
});
