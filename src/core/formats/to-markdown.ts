import { inlineKind } from '../document/inline';
import type { AnyNode, MarkdownOut } from '../document/kind';
import { markKind } from '../document/marks';
import type { Doc, InlineNode, TextNode } from '../document/nodes';
import { blockKind } from '../document/registry';
import { escapeLineStarts, escapeMarkdown, fenceAround } from '../document/written';

/** A code span, between more backticks than stand in it. */
function codeSpan(text: string): string {
  const fence = fenceAround(text, 1);
  const room = text.startsWith('`') || text.endsWith('`') ? ' ' : '';
  return `${fence}${room}${text}${room}${fence}`;
}

function words({ text, marks = [] }: TextNode): string {
  // Within a code span nothing is a mark, so nothing is escaped there.
  const bare = marks.some((m) => m.type === 'code') ? codeSpan(text) : escapeMarkdown(text);
  return marks.reduce((said, mark) => markKind(mark.type)?.markdown(said, mark) ?? said, bare);
}

/** A document on its way out: where a picture is to be had, if it travels, and the notes met so far. */
class Writer implements MarkdownOut {
  readonly notes: string[] = [];

  constructor(readonly picture: MarkdownOut['picture']) {}

  note(text: string): string {
    return `[^${this.notes.push(text)}]`;
  }

  content(node: AnyNode): string {
    const children = node.content ?? [];
    if (!children.some((child) => blockKind(child))) {
      return children
        .map((child) => {
          const inline = child as InlineNode;
          return inline.type === 'text' ? words(inline) : (inlineKind(inline)?.markdown(inline, this) ?? '');
        })
        .join('');
    }
    return children
      .map((child) => blockKind(child)?.markdown(child, this) ?? '')
      .filter((text) => text.trim() !== '')
      .join('\n\n');
  }
}

/**
 * A document as CommonMark, with tables, strokes and footnotes as GitHub's extension writes them. `picture` says where a
 * picture is to be had; without it words stand for it.
 * @example markdownOf(documentFromText('> A wall.')) // '> A wall.\n'
 */
export function markdownOf(
  doc: Doc,
  asked: { title?: string; picture?: MarkdownOut['picture'] } = {},
): string {
  const writer = new Writer(asked.picture ?? (() => null));
  const title = asked.title?.trim() ? [`# ${escapeMarkdown(asked.title.trim())}`] : [];
  const text = [...title, writer.content(doc)].join('\n\n');
  const notes = writer.notes.map(
    (note, i) => `[^${i + 1}]: ${escapeLineStarts(escapeMarkdown(note.replace(/\s+/gu, ' ')))}`,
  );
  return `${[text, ...notes].join('\n\n')}\n`;
}
