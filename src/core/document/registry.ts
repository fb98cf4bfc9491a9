import type { AnyNode, BlockKind, NodeKind } from './kind';
import { blockquote } from './kinds/blockquote';
import { bulletList } from './kinds/bullet-list';
import { clip } from './kinds/clip';
import { codeBlock } from './kinds/code-block';
import { embed } from './kinds/embed';
import { file } from './kinds/file';
import { heading } from './kinds/heading';
import { horizontalRule } from './kinds/horizontal-rule';
import { INLINES } from './kinds/inlines';
import { listItem } from './kinds/list-item';
import { blockMath } from './kinds/math';
import { orderedList } from './kinds/ordered-list';
import { paragraph } from './kinds/paragraph';
import { partHeading } from './kinds/part-heading';
import { picture } from './kinds/picture';
import { table } from './kinds/table';
import { tableCell, tableHeader } from './kinds/table-cell';
import { tableRow } from './kinds/table-row';

/**
 * Every kind of block. A new one is a file in `kinds/`, its type in `nodes.ts`, a place here, and how it is shown
 * (`ui/reading/block-views.tsx`) and typed (`ui/writing/editor/extensions.ts`). The first is what an editor makes where anything may stand.
 */
export const BLOCKS = [
  paragraph,
  heading,
  partHeading,
  codeBlock,
  blockMath,
  horizontalRule,
  picture,
  file,
  clip,
  embed,
  blockquote,
  bulletList,
  orderedList,
  table,
] as const;

/** What stands between a block and the blocks it holds. */
export const PARTS = [listItem, tableRow, tableCell, tableHeader] as const;

const BLOCK_KINDS = new Map<string, BlockKind>(BLOCKS.map((kind): [string, BlockKind] => [kind.type, kind]));
const NODE_KINDS = new Map<string, NodeKind>(
  [...BLOCKS, ...PARTS, ...INLINES].map((kind): [string, NodeKind] => [kind.type, kind]),
);

/**
 * What the kind of a node says of it; undefined where there is no such kind.
 * @example nodeKind('marquee') // undefined
 */
export const nodeKind = (type: string) => NODE_KINDS.get(type);
/**
 * The same for blocks; undefined for what is none.
 * @example blockKind({ type: 'text', text: 'a' }) // undefined
 */
export const blockKind = (node: AnyNode) => BLOCK_KINDS.get(node.type);
