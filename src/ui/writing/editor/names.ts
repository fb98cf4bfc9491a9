import { Mark } from '@tiptap/core';
import { markOf } from './from-core';

/**
 * A classmate's name, or a post's number, in a text. They are marks on ordinary words: a name may be cut down to the
 * first name, and what is left is still what a reader, a search and a count see.
 */
export const MentionMark = Mark.create({
  ...markOf('mention'),
  addAttributes() {
    return {
      person: {
        default: null,
        parseHTML: (el) => el.getAttribute('data-person'),
        renderHTML: ({ person }) => ({ 'data-person': String(person) }),
      },
    };
  },
  parseHTML() {
    return [{ tag: 'span[data-person]' }];
  },
  renderHTML({ HTMLAttributes }) {
    return ['span', { ...HTMLAttributes, class: 'mention' }, 0];
  },
});

export const PostReferenceMark = Mark.create({
  ...markOf('postReference'),
  addAttributes() {
    return {
      post: {
        default: null,
        parseHTML: (el) => Number(el.getAttribute('data-post')) || null,
        renderHTML: ({ post }) => ({ 'data-post': String(post) }),
      },
    };
  },
  parseHTML() {
    return [
      {
        tag: 'span[data-post]',
        getAttrs: (el) => /^\d{1,15}$/u.test(el.getAttribute('data-post') ?? '') && null,
      },
    ];
  },
  renderHTML({ HTMLAttributes }) {
    return ['span', { ...HTMLAttributes, class: 'mention' }, 0];
  },
});
