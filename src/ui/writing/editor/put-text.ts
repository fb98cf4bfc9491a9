import type { Doc } from '@/core/document/nodes';
import type { Editor } from '@tiptap/core';
import { Selection } from '@tiptap/pm/state';

/** The cursor among words, at a place or as near it as there are any: a heading that is selected would be typed over. */
function cursorNear(editor: Editor, place: number) {
  const { doc, tr } = editor.state;
  const at = doc.resolve(Math.max(0, Math.min(place, doc.content.size)));
  const found = Selection.findFrom(at, 1, true) ?? Selection.findFrom(at, -1, true);
  if (found) editor.view.dispatch(tr.setSelection(found).setMeta('addToHistory', false));
}

/** The cursor at the first words, for who comes in by the keyboard. */
export const cursorAtFirstWords = (editor: Editor) => cursorNear(editor, 0);

/** Another text in the editor's; the cursor stays where it was, or at the end if it was there. */
export function putText(editor: Editor, doc: Doc) {
  const { selection, doc: before } = editor.state;
  const fromEnd = before.content.size - selection.to;
  editor.commands.setContent(doc, { emitUpdate: false });
  const { size } = editor.state.doc.content;
  cursorNear(editor, fromEnd <= 2 ? size - fromEnd : selection.from);
}
