import { LIMITS } from '@/core/document/limits';
import { Extension } from '@tiptap/core';

declare module '@tiptap/core' {
  interface Commands<ReturnType> {
    indent: {
      /** Sets the paragraphs and headings of the selection further in (1) or out (-1). */
      setIn: (by: 1 | -1) => ReturnType;
    };
  }
}

const TYPES = ['paragraph', 'heading'];

/** Paragraphs and headings set in by steps. In a list, the list's own nesting is what Tab and these commands change. */
export const Indent = Extension.create({
  name: 'indent',
  addGlobalAttributes() {
    return [
      {
        types: TYPES,
        attributes: {
          indent: {
            default: 0,
            parseHTML: (el) => Math.min(LIMITS.indent, Math.max(0, Number(el.dataset.indent) || 0)),
            renderHTML: ({ indent }) => (indent ? { 'data-indent': String(indent) } : {}),
          },
        },
      },
    ];
  },
  addCommands() {
    return {
      setIn:
        (by) =>
        ({ editor, state, tr, dispatch, commands }) => {
          if (editor.isActive('listItem')) {
            return by > 0 ? commands.sinkListItem('listItem') : commands.liftListItem('listItem');
          }
          let changed = false;
          state.doc.nodesBetween(state.selection.from, state.selection.to, (node, pos) => {
            if (!TYPES.includes(node.type.name)) return;
            const now = Number(node.attrs.indent);
            const next = Math.min(LIMITS.indent, Math.max(0, now + by));
            if (next === now) return;
            changed = true;
            if (dispatch) tr.setNodeAttribute(pos, 'indent', next);
          });
          return changed;
        },
    };
  },
  addKeyboardShortcuts() {
    return {
      'Mod-]': () => this.editor.commands.setIn(1),
      'Mod-[': () => this.editor.commands.setIn(-1),
    };
  },
});
