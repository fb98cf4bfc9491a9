import type { Doc } from '../document/nodes';
import { plainText } from '../document/flatten';
import { nameWords, sameWords } from './names';
import type { Because } from './parents';

export const BLOCK_KINDS = ['prompt', 'response', 'reply', 'other'] as const;
export type BlockKind = (typeof BLOCK_KINDS)[number];

/** A part of a page as it was found, and as whoever brought it says it is. */
export type Block = {
  kind: BlockKind;
  author: string;
  staff: boolean;
  /** When it was posted there, on the page's own clock, `YYYY-MM-DDTHH:mm`; null where nobody knows. */
  wall: string | null;
  /** Which block a reply answers; null for one that answers the prompt. */
  to: number | null;
  /** What that was read from; null where it was not, or where somebody said it. */
  because: Because | null;
  title: string;
  doc: Doc;
};
export type Found = { title: string; course: string; blocks: Block[] };

/**
 * How many posts are among the blocks.
 * @example postsIn({ title: '', course: '', blocks: [] }) // 0
 */
export const postsIn = (found: Found) =>
  found.blocks.filter((b) => b.kind === 'response' || b.kind === 'reply').length;

/**
 * The prompt among the blocks; where there is none, the title alone.
 * @example promptOf({ title: '', course: '', blocks: [] }) // { type: 'doc', content: [] }
 */
export function promptOf({ title, blocks }: Found): Doc {
  const content = blocks.flatMap((b) => (b.kind === 'prompt' ? b.doc.content : []));
  const named: Doc['content'] = title
    ? [{ type: 'heading', attrs: { level: 2 }, content: [{ type: 'text', text: title }] }]
    : [];
  return { type: 'doc', content: [...named, ...content] };
}

/**
 * What was found on several pages of one discussion, one after the other; the prompt is the first one's.
 * @example together([]) // null
 */
export function together(all: readonly Found[]): Found | null {
  const [first, ...rest] = all;
  if (!first) return null;
  return rest.reduce((sum, next) => {
    const blocks = next.blocks.map((b) => (b.kind === 'prompt' ? { ...b, kind: 'other' as const } : b));
    return { ...sum, blocks: [...sum.blocks, ...renumbered(blocks, (k) => k + sum.blocks.length)] };
  }, first);
}

const renumbered = (blocks: readonly Block[], to: (i: number) => number | null): Block[] =>
  blocks.map((b) => ({ ...b, to: b.to === null ? null : to(b.to) }));

/**
 * The blocks with one of them joined to the one before it: its text goes on there, and what answered it answers that one.
 * @example joinedAt(blocks, 2) // one block fewer; the first one cannot be joined and nothing changes
 */
export function joinedAt(blocks: readonly Block[], i: number): Block[] {
  const [before, block] = [blocks[i - 1], blocks[i]];
  if (!before || !block) return [...blocks];
  const head = [before.title, block.title].filter(Boolean);
  const doc: Doc = { type: 'doc', content: [...before.doc.content, ...block.doc.content] };
  const rest = [...blocks.slice(0, i - 1), { ...before, title: head[0] ?? '', doc }, ...blocks.slice(i + 1)];
  return renumbered(rest, (k) => (k < i ? k : k - 1)).map((b, k) => (b.to === k ? { ...b, to: null } : b));
}

/**
 * The blocks with one of them split before one of its paragraphs: what follows is a block of its own, by nobody in particular yet.
 * @example splitAt(blocks, 1, 2) // one block more; before the first paragraph nothing can be split
 */
export function splitAt(blocks: readonly Block[], i: number, paragraph: number): Block[] {
  const block = blocks[i];
  if (!block || paragraph < 1 || paragraph >= block.doc.content.length) return [...blocks];
  const part = (content: Doc['content']): Doc => ({ type: 'doc', content });
  const first = { ...block, doc: part(block.doc.content.slice(0, paragraph)) };
  const second: Block = {
    ...block,
    kind: block.kind === 'prompt' ? 'other' : block.kind,
    title: '',
    because: null,
    doc: part(block.doc.content.slice(paragraph)),
  };
  const all = renumbered(blocks, (k) => (k <= i ? k : k + 1));
  return [
    ...all.slice(0, i),
    { ...first, to: all[i]?.to ?? null },
    { ...second, to: all[i]?.to ?? null },
    ...all.slice(i + 1),
  ];
}

/**
 * The posts among the blocks, each before what answers it; a reply whose post is left out answers the next one up that is not, or becomes a response.
 * @returns the places of the blocks in the order in which they can be put in, with what each then answers
 * @example inOrder([]) // []
 */
export function inOrder(blocks: readonly Block[]): { block: number; to: number | null }[] {
  const isPost = (b: Block | undefined) => b?.kind === 'response' || b?.kind === 'reply';
  const over = (i: number): number | null => {
    const seen = new Set<number>([i]);
    let at = blocks[i]?.kind === 'reply' ? (blocks[i]?.to ?? null) : null;
    while (at !== null && !isPost(blocks[at])) {
      if (seen.has(at)) return null;
      seen.add(at);
      at = blocks[at]?.to ?? null;
    }
    return at;
  };
  const parents = blocks.map((b, i) => (isPost(b) ? over(i) : null));
  const depth = (i: number): number => {
    const seen = new Set<number>();
    let [at, n]: [number | null, number] = [i, 0];
    while (at !== null) {
      if (seen.has(at)) return -1;
      seen.add(at);
      at = parents[at] ?? null;
      n += 1;
    }
    return n;
  };
  return blocks
    .flatMap((b, block) =>
      isPost(b) && b.author.trim() !== '' ? [{ block, to: parents[block] ?? null, n: depth(block) }] : [],
    )
    .map((p) => {
      // Whoever answers in a ring, or somebody without a name, answers the prompt.
      const to = p.n < 0 || (p.to !== null && blocks[p.to]?.author.trim() === '') ? null : p.to;
      return { block: p.block, to, n: to === null ? 1 : p.n };
    })
    .sort((a, b) => a.n - b.n || a.block - b.block)
    .map(({ block, to }) => ({ block, to }));
}

/** A post that stands in the discussion already. */
export type Standing = { id: number; author: string; wall: string; plain: string };
/** What a block is to what stands: new, there already, or there with another text. */
export type Merged = { block: number; post: number | null; what: 'new' | 'known' | 'changed' };

/** How much of their words two texts share, 0 to 1 (the coefficient of Jaccard). */
function alike(x: ReadonlySet<string>, y: ReadonlySet<string>): number {
  let both = 0;
  for (const w of x) if (y.has(w)) both += 1;
  return both === 0 ? 0 : both / (x.size + y.size - both);
}

/** A text as it is held against others: its author, its letters, its words. */
function held(author: string, wall: string | null, plain: string) {
  const bare = plain
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
  return { wall, name: nameWords(author), bare, words: new Set(bare.split(' ').filter((w) => w.length > 2)) };
}
type Held = ReturnType<typeof held>;

/** From so much on two texts of one person are one that was changed. */
const SAME = 0.55;
/** Of so many words nobody else writes the same. */
const OWN = 8;

/**
 * What each post among the blocks is to those that stand already: nobody's post stands for two blocks. The same text by the same person, or one that nobody
 * else would write so, is known; the same person with most of the words, or at the same minute, changed it.
 * @example mergedWith(blocks, []) // every post is new
 */
export function mergedWith(blocks: readonly Block[], standing: readonly Standing[]): Merged[] {
  const taken = new Set<number>();
  const posts = inOrder(blocks).map(({ block }) => {
    const { author, wall, doc } = blocks[block] as Block;
    return { block, ...held(author, wall, plainText(doc)) };
  });
  const there = standing.map((s) => ({ id: s.id, ...held(s.author, s.wall, s.plain) }));
  const merged = new Map<number, Merged>();
  const match = (what: Merged['what'], fits: (post: Held, stands: Held) => boolean) => {
    for (const post of posts) {
      if (merged.has(post.block)) continue;
      const found = there.find((s) => !taken.has(s.id) && fits(post, s));
      if (!found) continue;
      taken.add(found.id);
      merged.set(post.block, { block: post.block, post: found.id, what });
    }
  };
  match('known', (p, s) => p.bare === s.bare && (p.words.size >= OWN || sameWords(p.name, s.name)));
  match('changed', (p, s) => sameWords(p.name, s.name) && alike(p.words, s.words) >= SAME);
  match('changed', (p, s) => p.wall !== null && p.wall === s.wall && sameWords(p.name, s.name));
  return posts.map(({ block }) => merged.get(block) ?? { block, post: null, what: 'new' });
}
