import { inlineKind } from '../document/inline';
import type { AnyNode, HtmlOut } from '../document/kind';
import { markKind } from '../document/marks';
import type { Doc, InlineNode } from '../document/nodes';
import { blockKind } from '../document/registry';
import { escapeHtml } from '../document/written';

/** A document on its way out: where a picture is to be had, if it travels, and the notes met so far. */
class Writer implements HtmlOut {
  private readonly notes: string[] = [];

  constructor(
    readonly picture: HtmlOut['picture'],
    readonly formula: HtmlOut['formula'],
    private readonly within: string,
  ) {}

  note(text: string): string {
    const n = this.notes.push(text);
    return `<sup><a href="#${this.within}note-${n}" id="${this.within}note-mark-${n}">${n}</a></sup>`;
  }

  private inline(node: InlineNode): string {
    if (node.type !== 'text') return inlineKind(node)?.html(node, this) ?? '';
    return (node.marks ?? []).reduce(
      (words, mark) => markKind(mark.type)?.html(words, mark) ?? words,
      escapeHtml(node.text),
    );
  }

  content(node: AnyNode): string {
    return (node.content ?? [])
      .map((child) => blockKind(child)?.html(child, this) ?? this.inline(child as InlineNode))
      .join('');
  }

  notesAtFoot(): string {
    if (this.notes.length === 0) return '';
    const items = this.notes.map((text, i) => {
      const back = `<a href="#${this.within}note-mark-${i + 1}">↩</a>`;
      return `<li id="${this.within}note-${i + 1}">${escapeHtml(text)} ${back}</li>`;
    });
    return `<ol>${items.join('')}</ol>`;
  }
}

/** A formula in LaTeX between the signs that pages set formulas by. */
const inSigns: HtmlOut['formula'] = (latex, display) =>
  escapeHtml(display ? `\\[${latex}\\]` : `\\(${latex}\\)`);

/**
 * A document as clean HTML: what it says and how it is built, with no class or script, and no style but where a block stands otherwise than
 * usual. Empty paragraphs fall away. `picture` says where a picture is to be had; without it words stand for it. `formula` writes formulas
 * otherwise than in LaTeX. Notes stand at the end, linked both ways;
 * `within` sets their names apart where several documents stand on one page.
 * @example htmlOf(documentFromText('One.')) // '<p>One.</p>'
 */
export function htmlOf(
  doc: Doc,
  asked: {
    title?: string;
    picture?: HtmlOut['picture'];
    formula?: HtmlOut['formula'];
    within?: string;
  } = {},
): string {
  const writer = new Writer(asked.picture ?? (() => null), asked.formula ?? inSigns, asked.within ?? '');
  const title = asked.title?.trim() ? `<h1>${escapeHtml(asked.title.trim())}</h1>` : '';
  const text = writer.content(doc);
  return title + text + writer.notesAtFoot();
}
