import { LIMITS } from '@/core/document/limits';
import { Node } from '@tiptap/core';
import { nodeOf } from './from-core';
import type { OpenNote } from './fields';

/** A note to the text: a raised number among the words; pressed, it opens for changing. Its number is counted by the page. */
export const NoteNode = Node.create<{ open: OpenNote }>({
  ...nodeOf('note'),
  addOptions: () => ({ open: () => {} }),
  addAttributes: () => ({
    text: {
      default: '',
      parseHTML: (el: HTMLElement) => (el.getAttribute('data-note') ?? '').slice(0, LIMITS.noteLength),
      renderHTML: ({ text }: Record<string, unknown>) => ({ 'data-note': String(text) }),
    },
  }),
  parseHTML: () => [{ tag: 'sup[data-note]' }],
  renderHTML: ({ HTMLAttributes }) => ['sup', HTMLAttributes],
  addNodeView() {
    return ({ node, getPos }) => {
      const dom = document.createElement('sup');
      dom.className = 'note-in-text';
      const text = String(node.attrs.text);
      dom.title = `Note: ${text}`;
      dom.addEventListener('click', () => {
        const pos = getPos();
        if (pos !== undefined) this.options.open({ pos, text });
      });
      return { dom };
    };
  },
  addKeyboardShortcuts() {
    return {
      'Mod-Alt-f': () => {
        this.options.open({ pos: null, text: '' });
        return true;
      },
    };
  },
});
