import { Extension, resolveFocusPosition } from '@tiptap/core';
import { Plugin, PluginKey, TextSelection } from '@tiptap/pm/state';
import type { EditorView } from '@tiptap/pm/view';

/**
 * The selection as the page has it, for the editor that still knows an older one. A browser tells of a selection only after
 * the keys or the pointer that made it; an editor that has lost the focus by then never hears of it.
 */
function takeSelection(view: EditorView) {
  const { state } = view;
  if (view.composing || !(state.selection instanceof TextSelection)) return;
  const shown = view.dom.ownerDocument.getSelection();
  const { anchorNode, focusNode } = shown ?? {};
  if (!shown || !anchorNode || !focusNode) return;
  if (!view.dom.contains(anchorNode) || !view.dom.contains(focusNode)) return;
  const at = (node: Node, offset: number) => state.doc.resolve(view.posAtDOM(node, offset));
  const selection = TextSelection.between(
    at(anchorNode, shown.anchorOffset),
    at(focusNode, shown.focusOffset),
  );
  if (!selection.eq(state.selection)) view.dispatch(state.tr.setSelection(selection));
}

/**
 * Two things that make a tool act on what is selected and on nothing else, however quickly it is chosen: the selection is taken
 * over when the text loses the focus, and the text gets the focus back at once and not with the next frame, when it would take
 * it away from a tool that was reached meanwhile.
 */
export const SureFocus = Extension.create({
  name: 'sureFocus',
  addCommands: () => ({
    focus:
      (position = null) =>
      ({ view, tr, dispatch }) => {
        if (!dispatch) return true;
        view.focus();
        const found = position === null || position === false ? null : resolveFocusPosition(tr.doc, position);
        if (found) tr.setSelection(found).scrollIntoView();
        return true;
      },
  }),
  addProseMirrorPlugins: () => [
    new Plugin({
      key: new PluginKey('sureFocus'),
      props: {
        handleDOMEvents: {
          blur: (view) => {
            takeSelection(view);
            return false;
          },
        },
      },
    }),
  ],
});
