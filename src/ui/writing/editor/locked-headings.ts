import { Extension } from '@tiptap/core';
import type { Node } from '@tiptap/pm/model';
import { Plugin, PluginKey, TextSelection, type EditorState, type Transaction } from '@tiptap/pm/state';
import type { EditorView } from '@tiptap/pm/view';

const HEADING = 'partHeading';

const headingsOf = (doc: Node): string[] =>
  doc.children.filter((n) => n.type.name === HEADING).map((n) => String(n.attrs.part));

/** Whether every heading that was there still is, in its order. */
function keepsHeadings(before: Node, after: Node): boolean {
  const now = headingsOf(after);
  let at = 0;
  for (const part of headingsOf(before)) {
    const found = now.indexOf(part, at);
    if (found < 0) return false;
    at = found + 1;
  }
  return true;
}

function holdsHeading({ doc, selection }: EditorState): boolean {
  let found = false;
  doc.nodesBetween(selection.from, selection.to, (node) => {
    found ||= node.type.name === HEADING;
    return false;
  });
  return found;
}

/** Takes what is selected out of every answer it reaches into, and leaves the questions and a line beneath each where they are. */
function clearedAcross(state: EditorState): Transaction {
  const { from, to } = state.selection;
  const { tr, schema } = state;
  const blocks: { node: Node; start: number }[] = [];
  state.doc.forEach((node, start) => blocks.push({ node, start }));
  const touched = blocks.filter((b) => b.start + b.node.nodeSize > from && b.start < to);
  for (const { node, start } of touched.reverse()) {
    if (node.type.name === HEADING) continue;
    const inside = { from: Math.max(from, start), to: Math.min(to, start + node.nodeSize) };
    if (inside.from <= start && inside.to >= start + node.nodeSize) {
      const next = tr.doc.nodeAt(start + node.nodeSize);
      const before = tr.doc.resolve(start).nodeBefore;
      // An answer keeps a line to be written on.
      const alone = (!before || before.type.name === HEADING) && (!next || next.type.name === HEADING);
      if (alone) tr.replaceWith(start, start + node.nodeSize, schema.node('paragraph'));
      else tr.delete(start, start + node.nodeSize);
    } else tr.delete(Math.max(inside.from, start + 1), Math.min(inside.to, start + node.nodeSize - 1));
  }
  const cursor = tr.doc.resolve(Math.min(from, tr.doc.content.size));
  return tr.setSelection(TextSelection.near(cursor, 1)).scrollIntoView();
}

/** Before something takes the place of a selection that holds questions: the selection is emptied around them. */
function clear(view: EditorView): boolean {
  if (view.state.selection.empty || !holdsHeading(view.state)) return false;
  view.dispatch(clearedAcross(view.state));
  return true;
}

/**
 * The questions of the prompt stay: no key, paste or drop takes one out or runs one answer into another. Only a text that takes the
 * whole draft's place (another version, a file) may be without them, and undoing that.
 */
export const LockedHeadings = Extension.create({
  name: 'lockedHeadings',
  // Before the keys of lists, quotations and everything else.
  priority: 1_000,
  addProseMirrorPlugins: () => [
    new Plugin({
      key: new PluginKey('lockedHeadings'),
      filterTransaction: (tr, state) =>
        !tr.docChanged ||
        tr.getMeta('preventUpdate') !== undefined ||
        tr.getMeta('history$') !== undefined ||
        keepsHeadings(state.doc, tr.doc),
      props: {
        handleKeyDown: (view, event) => {
          if (event.key === 'Enter') clear(view);
          if (event.key !== 'Backspace' && event.key !== 'Delete') return false;
          if (clear(view)) return true;
          const { selection } = view.state;
          if (!(selection instanceof TextSelection) || !selection.empty) return false;
          const { $from } = selection;
          const top = $from.depth > 0 ? $from.before(1) : $from.pos;
          const outer = view.state.doc.nodeAt(top);
          const edge =
            event.key === 'Backspace'
              ? $from.pos <= top + $from.depth && view.state.doc.resolve(top).nodeBefore
              : outer !== null &&
                $from.pos >= top + outer.nodeSize - $from.depth &&
                view.state.doc.resolve(top + outer.nodeSize).nodeAfter;
          // A line of its own, with nothing above or below it but questions, stays to be written on; a list becomes lines first.
          return Boolean(edge && edge.type.name === HEADING && outer?.type.name === 'paragraph');
        },
        handleTextInput: (view) => {
          clear(view);
          return false;
        },
        handlePaste: (view) => {
          clear(view);
          return false;
        },
        handleDOMEvents: {
          beforeinput: (view, event) => {
            if (event.inputType.startsWith('insert') && !event.isComposing) clear(view);
            return false;
          },
          cut: (view, event) => {
            const { selection } = view.state;
            if (selection.empty || !holdsHeading(view.state) || !event.clipboardData) return false;
            const { dom, text } = view.serializeForClipboard(selection.content());
            event.preventDefault();
            event.clipboardData.setData('text/html', dom.innerHTML);
            event.clipboardData.setData('text/plain', text);
            return clear(view);
          },
        },
      },
    }),
  ],
});
