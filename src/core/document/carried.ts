import type { AnyNode } from './kind';
import type { Carried } from './nodes';
import { blockKind } from './registry';

const CARRIED = new Set<string>(['picture', 'file', 'clip', 'embed'] satisfies Carried['type'][]);
/**
 * Whether a block is something carried, and no words.
 * @example isCarried({ type: 'paragraph' }) // false
 */
export const isCarried = <T extends AnyNode>(node: T): node is T & Carried => CARRIED.has(node.type);

const NO_WORDS = { blocks: () => [] };
/**
 * The words that stand for what a text carries where only words can go.
 * @example a file "plan.pdf" stands for itself as its name
 */
export const standInWords = (node: Carried): string => blockKind(node)?.text(node, NO_WORDS) ?? '';
