import type { UseEditorOptions } from '@tiptap/react';
import type { Doc } from '@/core/document/nodes';
import { extensions } from './extensions';

/** What every editor of ours is made with: the text it opens, its tools, and the name by which it is announced. */
export const editorOptions = ({
  doc,
  label,
  ...tools
}: { doc: Doc; label: string } & Parameters<typeof extensions>[0]): UseEditorOptions => ({
  // The server has no editor: its page shows a plain form.
  immediatelyRender: false,
  content: doc,
  extensions: extensions(tools),
  editorProps: {
    attributes: {
      class: 'text min-h-full',
      role: 'textbox',
      'aria-multiline': 'true',
      'aria-label': label,
      spellcheck: 'true',
    },
  },
});
