import { z } from 'zod';
import type { InlineKind } from '../kind';
import { LIMITS } from '../limits';
import type { Note } from '../nodes';

export const note: InlineKind<Note> = {
  type: 'note',
  spec: { group: 'inline', inline: true, atom: true, attrs: { text: { default: '' } } },
  json: () =>
    z.strictObject({
      type: z.literal('note'),
      attrs: z.strictObject({ text: z.string().min(1).max(LIMITS.noteLength) }),
    }),
  tidy: ({ text }) => {
    const said = String(text ?? '').trim();
    return said ? { text: said.slice(0, LIMITS.noteLength) } : null;
  },
  says: (node) => ` [${node.attrs.text}]`,
  html: (node, to) => to.note(node.attrs.text),
  markdown: (node, to) => to.note(node.attrs.text),
  office: (node) => ({ run: 'note', text: node.attrs.text }),
};
