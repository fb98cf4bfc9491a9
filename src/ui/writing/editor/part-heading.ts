import { Node } from '@tiptap/core';
import { nodeOf } from './from-core';

/** The heading of a part: placed for the student, one block that text cannot run into and no key takes out (see locked-headings). */
export const PartHeading = Node.create({
  ...nodeOf('partHeading'),
  addAttributes() {
    return {
      part: { default: '', parseHTML: (el) => el.getAttribute('data-part') ?? '' },
      text: { default: '', parseHTML: (el) => el.getAttribute('data-text') ?? '' },
    };
  },
  parseHTML() {
    return [{ tag: 'div[data-part][data-text]' }];
  },
  renderHTML({ node }) {
    const { part, text } = node.attrs as { part: string; text: string };
    return ['div', { class: 'part-heading', 'data-part': part, 'data-text': text }, `${part}. ${text}`];
  },
});
