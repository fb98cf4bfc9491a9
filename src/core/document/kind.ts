import type { MarkSpec, NodeSpec } from '@tiptap/pm/model';
import type { z } from 'zod';
import type { BlockNode, BlockShape, ListItem, Picture, PlainMark, TableCell, TableRow } from './nodes';

/** A node of any kind. */
export type AnyNode = { type: string; attrs?: object; content?: readonly AnyNode[] };
/** Attributes as an editor has them: whatever a page that somebody copied from has written there. */
export type LooseAttrs = Record<string, unknown>;

/** The schemas of what a block may hold, for the kinds that hold blocks. */
export type Inside = {
  blocks: z.ZodType<BlockNode[]>;
  items: z.ZodType<ListItem[]>;
  rows: z.ZodType<TableRow[]>;
  cells: z.ZodType<TableCell[]>;
};

/** What a line of text is, where its surroundings do not say it. */
export type LineKind = 'part-heading' | 'heading' | 'quote' | 'item' | 'cell' | 'code' | 'math' | 'paragraph';

/** What a block stands within, as far as its lines are told by it. */
export type Surroundings = {
  kind: 'quote' | 'item' | 'cell';
  /** Where the row of a table begins. */
  row?: number;
  /** Of the first block of a list's item: its number, or 0 for a bullet. */
  item?: number;
} | null;

/** A stretch of words on its way into a word processor's file. */
export type OfficeRun =
  | { run: 'text'; text: string; marks: readonly PlainMark[]; href?: string; colour?: string }
  | { run: 'break' }
  | { run: 'note'; text: string }
  | { run: 'formula'; latex: string };
/** A block on its way into a word processor's file: the few things that every office format has. */
export type OfficeBlock =
  | { block: 'line'; as: 'text' | 'question' | 'code'; shape?: BlockShape; runs: OfficeRun[] }
  | { block: 'heading'; level: number; shape?: BlockShape; runs: OfficeRun[] }
  | { block: 'formula'; latex: string }
  | { block: 'rule' }
  | { block: 'picture'; picture: Picture; words: string }
  | { block: 'quotation'; blocks: OfficeBlock[] }
  /** `start` is the number of its first item; null where items have bullets. */
  | { block: 'list'; start: number | null; items: OfficeBlock[][] }
  | { block: 'table'; rows: { head: boolean; blocks: OfficeBlock[] }[][] };

/** What a kind asks of whoever writes a document out: what stands within a node, and what the way out knows. */
export type TextOut = { blocks(nodes: readonly AnyNode[]): string[] };
type Pictured = {
  /** Where a picture is to be had, or null where it does not travel. */ picture(file: string): string | null;
};
type Noted = { /** Puts a note to the foot and gives its mark. */ note(text: string): string };
export type HtmlOut = Pictured &
  Noted & {
    content(node: AnyNode): string;
    /** A formula as it stands there; `display`: on a line of its own. */
    formula(latex: string, display: boolean): string;
  };
export type MarkdownOut = Pictured & Noted & { content(node: AnyNode): string };
export type OfficeOut = {
  blocks(nodes: readonly AnyNode[]): OfficeBlock[];
  runs(node: AnyNode): OfficeRun[];
};

/** A schema of one kind: among others it is told by its `type`, and none of the others is tried. */
export type Told<N> = z.ZodType<N> & z.core.$ZodTypeDiscriminable;

/** What every kind of node says: how the editor holds it, and what of it may be stored. */
export interface NodeKind<N extends AnyNode = AnyNode> {
  type: N['type'];
  /** How it nests and what attributes it has, in the editor's terms. */
  spec: NodeSpec;
  /** What may be stored; anything else is refused. */
  json(inside: Inside): Told<N>;
  /** An editor's attributes as they may be stored; undefined where they are all as usual, null where they are of no use. */
  tidy?(attrs: LooseAttrs): object | null | undefined;
  /** What the `i`th of what it holds stands within, where it changes that; `pos` is its own place. */
  surrounds?(node: N, i: number, pos: number, now: Surroundings): Surroundings;
}

/** A kind of block. Whatever reads or writes documents asks it, and nothing else knows how it is written. */
export interface BlockKind<N extends AnyNode = AnyNode> extends NodeKind<N> {
  /** The line of text it is. Absent: it is none. `plain`: what its surroundings say. */
  line?: LineKind | 'plain';
  /** What is read for it, of a block without words within. */
  says?(node: N): string;
  /** Its text where only text can go. */
  text(node: N, to: TextOut): string;
  html(node: N, to: HtmlOut): string;
  markdown(node: N, to: MarkdownOut): string;
  office(node: N, to: OfficeOut): OfficeBlock[];
}

/** A kind of thing that stands among words. */
export interface InlineKind<N extends AnyNode = AnyNode> extends NodeKind<N> {
  /** How it is read aloud, searched and quoted. */
  says(node: N): string;
  html(node: N, to: HtmlOut): string;
  markdown(node: N, to: MarkdownOut): string;
  office(node: N): OfficeRun;
}

type AnyMark = { type: string; attrs?: object };
/** A kind of mark on words. */
export interface MarkKind<M extends AnyMark = AnyMark> {
  type: M['type'];
  spec: MarkSpec;
  json: Told<M>;
  tidy?(attrs: LooseAttrs): object | null;
  /** The element of HTML that says the same, where there is one without attributes, and the elements that are read as it. */
  tag?: string;
  elements?: readonly string[];
  html(words: string, mark: M): string;
  markdown(words: string, mark: M): string;
  /** What an office format says for it, where it can. */
  office?(mark: M): { mark: PlainMark } | { href: string } | { colour: string };
}

/**
 * Whatever a page that somebody copied from has written into an attribute.
 * @example isUuid('7') // false
 */
export const isUuid = (value: unknown): value is string =>
  typeof value === 'string' && /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/iu.test(value);
