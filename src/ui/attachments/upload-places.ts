import { Extension } from '@tiptap/core';
import type { Node } from '@tiptap/pm/model';
import { Plugin, PluginKey, type EditorState, type Transaction } from '@tiptap/pm/state';
import { Decoration, DecorationSet } from '@tiptap/pm/view';

/** What takes files into the text, at a place or where one writes. */
type Taker = { add: (files: readonly File[], pos?: number) => void };
type Change = { add: { key: string; at: number; name: string } } | { remove: { key: string } };

export const uploadPlaces = new PluginKey<DecorationSet>('uploadPlaces');

/** Where a file on its way will stand now. */
export const placeOfUpload = (state: EditorState, key: string): number | null =>
  uploadPlaces.getState(state)?.find(undefined, undefined, (spec) => spec.key === key)[0]?.from ?? null;

/**
 * Puts a block where a file's place is, and says where what follows it goes. It stands before, after or between the halves of
 * the line its place was in, and the cursor stays where it was: who types on writes over nothing.
 */
export function withBlock(state: EditorState, pos: number, block: Node): { tr: Transaction; after: number } {
  const { tr, doc } = state;
  const place = doc.resolve(pos);
  const { parent, parentOffset } = place;
  let at = pos;
  if (parent.isTextblock) {
    if (parentOffset === 0) at = place.before();
    else if (parentOffset === parent.content.size) at = place.after();
    else {
      tr.split(pos);
      at = pos + 1;
    }
  }
  tr.insert(at, block);
  const behind = at + block.nodeSize;
  return { tr, after: tr.doc.nodeAt(behind)?.isTextblock ? behind + 1 : behind };
}

function sign(name: string) {
  const dom = document.createElement('span');
  dom.className = 'upload-place';
  dom.textContent = `${name} is on its way`;
  return dom;
}

/** Takes files that are pasted or dropped into the text, and keeps the place of each until it is there. */
export const UploadPlaces = Extension.create<{ sending: Taker }>({
  name: 'uploadPlaces',
  addProseMirrorPlugins() {
    const { sending } = this.options;
    return [
      new Plugin<DecorationSet>({
        key: uploadPlaces,
        state: {
          init: () => DecorationSet.empty,
          apply(tr, places) {
            const moved = places.map(tr.mapping, tr.doc);
            const change = tr.getMeta(uploadPlaces) as Change | undefined;
            if (!change) return moved;
            if ('remove' in change)
              return moved.remove(moved.find(undefined, undefined, (s) => s.key === change.remove.key));
            const { key, at, name } = change.add;
            return moved.add(tr.doc, [Decoration.widget(at, () => sign(name), { key, side: -1 })]);
          },
        },
        props: {
          decorations: (state) => uploadPlaces.getState(state),
          handlePaste(_view, event) {
            const data = event.clipboardData;
            const files = [...(data?.files ?? [])];
            // Word processors add a picture of the text to the text: then the text is meant. A picture copied from a page
            // comes with HTML that has no words.
            const words = data?.getData('text/html').replace(/<style[\s\S]*?<\/style>|<[^>]*>|&nbsp;/giu, '');
            if (files.length === 0 || words?.trim()) return false;
            sending.add(files);
            return true;
          },
          handleDrop(view, event) {
            const files = [...(event.dataTransfer?.files ?? [])];
            if (files.length === 0) return false;
            event.preventDefault();
            sending.add(files, view.posAtCoords({ left: event.clientX, top: event.clientY })?.pos);
            return true;
          },
        },
      }),
    ];
  },
});
