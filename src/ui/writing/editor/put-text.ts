import type { Doc } from '@/core/document/nodes';
import type { Editor } from '@tiptap/core';
import type { Node } from '@tiptap/pm/model';
import { Selection } from '@tiptap/pm/state';

/** The cursor among words, at a place or as near it as there are any: a heading that is selected would be typed over. */
function cursorNear(editor: Editor, place: number) {
  const { doc, tr } = editor.state;
  const at = doc.resolve(Math.max(0, Math.min(place, doc.content.size)));
  const found = Selection.findFrom(at, 1, true) ?? Selection.findFrom(at, -1, true);
  if (found) editor.view.dispatch(tr.setSelection(found).setMeta('addToHistory', false));
}

/** Where what stands under each question of a prompt begins and ends; all of it, where there are none. */
export function answersIn(doc: Node): { from: number; to: number; blank: boolean }[] {
  const answers: { from: number; to: number; blank: boolean }[] = [];
  doc.forEach((node, at) => {
    if (node.type.name === 'partHeading' || answers.length === 0)
      answers.push({ from: at, to: at, blank: true });
    const here = answers.at(-1);
    if (!here) return;
    here.to = at + node.nodeSize;
    if (node.type.name === 'partHeading') here.from = here.to;
    // A picture says something, too.
    else if (node.textContent.trim() !== '' || node.type.name !== 'paragraph') here.blank = false;
  });
  return answers;
}

/** Where somebody goes on who comes back to a text: at the first question that has no answer yet, else at the end. */
export const goesOnAt = (doc: Node): number =>
  answersIn(doc).find((answer) => answer.blank)?.from ?? doc.content.size;

/** The cursor where one goes on: for who comes in by the keyboard, and for what is put in before the text was touched. */
export const cursorWhereOneGoesOn = (editor: Editor) => cursorNear(editor, goesOnAt(editor.state.doc));

/** Another text in the editor's; the cursor stays where it was, or at the end if it was there. */
export function putText(editor: Editor, doc: Doc) {
  const { selection, doc: before } = editor.state;
  const fromEnd = before.content.size - selection.to;
  editor.commands.setContent(doc, { emitUpdate: false });
  const { size } = editor.state.doc.content;
  cursorNear(editor, fromEnd <= 2 ? size - fromEnd : selection.from);
}
