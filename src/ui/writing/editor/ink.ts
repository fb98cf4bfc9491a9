import { INKS, type Ink } from '@/core/document/limits';
import { Mark } from '@tiptap/core';
import { markOf } from './from-core';

declare module '@tiptap/core' {
  interface Commands<ReturnType> {
    ink: {
      /** Writes the selection in one of the palette's inks, or in the page's own (null). */
      setInk: (name: Ink | null) => ReturnType;
    };
  }
}

/** Text in another ink. Only names are kept, so that it is readable on every paper; colours pasted from elsewhere fall away. */
export const InkMark = Mark.create({
  ...markOf('ink'),
  addAttributes() {
    return {
      name: {
        default: null,
        parseHTML: (el) => el.getAttribute('data-ink'),
        renderHTML: ({ name }) => ({ 'data-ink': String(name) }),
        validate: (name: unknown) => {
          if (!INKS.includes(name as Ink)) throw new RangeError('There is no such ink.');
        },
      },
    };
  },
  parseHTML() {
    return [
      {
        tag: 'span[data-ink]',
        getAttrs: (el) => INKS.includes(el.getAttribute('data-ink') as Ink) && null,
      },
    ];
  },
  renderHTML({ HTMLAttributes }) {
    return ['span', HTMLAttributes, 0];
  },
  addCommands() {
    return {
      setInk:
        (name) =>
        ({ commands }) =>
          name ? commands.setMark(this.name, { name }) : commands.unsetMark(this.name),
    };
  },
});
