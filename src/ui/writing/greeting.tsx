'use client';

import { useEditorState, type Editor } from '@tiptap/react';

/** Offers to begin an empty reply with the classmate's name. */
export function Greeting({ editor, name }: { editor: Editor; name: string }) {
  const empty = useEditorState({ editor, selector: ({ editor: e }) => e.isEmpty });
  if (!empty) return null;
  return (
    <button
      type="button"
      className="link inline-flex min-h-6 items-center font-semibold"
      onClick={() =>
        editor
          .chain()
          .focus()
          .insertContent([
            { type: 'paragraph', content: [{ type: 'text', text: `Hi ${name},` }] },
            { type: 'paragraph' },
          ])
          .run()
      }
    >
      Begin with “Hi {name},”
    </button>
  );
}
