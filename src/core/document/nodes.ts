import type { Ink } from './limits';

/**
 * What a document is made of, as it is stored: the editor's (ProseMirror) JSON form, never HTML, and without what is as
 * usual. Each kind has a file in `kinds/`, whose schema is held to the type here.
 */
export type Doc = { type: 'doc'; content: BlockNode[] };

/** A mark that is nothing but itself. */
export type PlainMark = 'bold' | 'italic' | 'underline' | 'strike' | 'code' | 'subscript' | 'superscript';
export type Mark =
  | { type: PlainMark }
  | { type: 'ink'; attrs: { name: Ink } }
  | { type: 'link'; attrs: { href: string } }
  // The words stay words of the text, so they are counted, searched and exported as what they are; the mark says whom or
  // which post they mean. Whether they may mean it is asked of the database when a text is kept.
  | { type: 'mention'; attrs: { person: string } }
  | { type: 'postReference'; attrs: { post: number } };

export type TextNode = { type: 'text'; text: string; marks?: Mark[] };
export type HardBreak = { type: 'hardBreak' };
export type InlineMath = { type: 'inlineMath'; attrs: { latex: string } };
/** A note to the text, read at its foot. Its number is its place among them, so it is never written down. */
export type Note = { type: 'note'; attrs: { text: string } };
export type InlineNode = TextNode | HardBreak | InlineMath | Note;

/** How a paragraph or heading stands on the page, where it is not as usual. */
export type BlockShape = { textAlign?: 'center' | 'right' | 'justify'; indent?: number };
export type Paragraph = { type: 'paragraph'; attrs?: BlockShape; content?: InlineNode[] };
/** A heading of level 2, 3 or 4: the first is the text's title. */
export type Heading = { type: 'heading'; attrs: { level: number } & BlockShape; content?: InlineNode[] };
/** The heading of a part, placed for the student: a question of the prompt. */
export type PartHeading = { type: 'partHeading'; attrs: { part: string; text: string } };
export type CodeBlock = { type: 'codeBlock'; content?: { type: 'text'; text: string }[] };
export type BlockMath = { type: 'blockMath'; attrs: { latex: string } };
export type HorizontalRule = { type: 'horizontalRule' };

/** A picture of the writer's. What it is (its size in pixels) is the server's to say; how it stands is the writer's. */
export type Picture = {
  type: 'picture';
  attrs: {
    file: string;
    width: number;
    height: number;
    /** What somebody who cannot see it is told; empty while nobody has written it. */
    alt: string;
    caption?: string;
    /** Its width in hundredths of the page's; as wide as it is, and at most the page, where none is chosen. */
    size?: number;
    place?: 'center' | 'right';
  };
};
/** A file of the writer's, to be opened or saved. Name, type and size are the server's to say. */
export type AttachedFile = {
  type: 'file';
  attrs: { file: string; name: string; mediaType: string; bytes: number };
};
/** A short recording of the writer's: how long it plays (ms) and whether there is a picture is the server's to say. */
export type Clip = { type: 'clip'; attrs: { file: string; title: string; ms: number; video: boolean } };
/** Something of a media site of the college's list, played where it stands. Everything else stays a link. */
export type Embed = { type: 'embed'; attrs: { url: string; title: string; site: string } };
/** What a text carries beside its words. */
export type Carried = Picture | AttachedFile | Clip | Embed;

export type Blockquote = { type: 'blockquote'; content: BlockNode[] };
export type ListItem = { type: 'listItem'; content: BlockNode[] };
export type BulletList = { type: 'bulletList'; content: ListItem[] };
export type OrderedList = { type: 'orderedList'; attrs?: { start: number }; content: ListItem[] };
export type TableCell = { type: 'tableCell' | 'tableHeader'; content: BlockNode[] };
export type TableRow = { type: 'tableRow'; content: TableCell[] };
export type Table = { type: 'table'; content: TableRow[] };

/** A block whose content is words. */
export type TextBlock = Paragraph | Heading | CodeBlock;
/** A block that holds no other blocks. */
export type Leaf = TextBlock | PartHeading | BlockMath | HorizontalRule | Carried;
export type BlockNode = Leaf | Blockquote | BulletList | OrderedList | Table;
/** What stands between a block and the blocks it holds. */
export type PartNode = ListItem | TableRow | TableCell;
