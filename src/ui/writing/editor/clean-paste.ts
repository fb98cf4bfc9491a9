import type { documentFromHtml } from '@/core/formats/from-html';
import { Extension } from '@tiptap/core';
import { Slice, type Node } from '@tiptap/pm/model';
import { Plugin, PluginKey } from '@tiptap/pm/state';
import type { EditorView } from '@tiptap/pm/view';

/** The editor's own clipboard says so: what it copied comes back as it was. */
const isOwn = (html: string) => html.includes('data-pm-slice');

/** How far a paste's end is open: a paragraph's words join the paragraph they are pasted into. */
const open = (node: Node | null) => (node?.type.name === 'paragraph' ? 1 : 0);

type Reader = typeof documentFromHtml;
let reader: Reader | null = null;
/** The reader of HTML is fetched when somebody begins to write: it is a tenth of the page's scripts, and nobody pastes before. */
const fetched = async (): Promise<Reader> =>
  (reader ??= (await import('@/core/formats/from-html')).documentFromHtml);

/** Puts what was pasted in, as an import reads it; false where nothing of it is left. */
function put(view: EditorView, read: Reader, html: string): boolean {
  const { state } = view;
  const { content } = state.schema.nodeFromJSON(read(html));
  if (content.size <= 2) return false;
  const slice = new Slice(content, open(content.firstChild), open(content.lastChild));
  view.dispatch(state.tr.replaceSelection(slice).scrollIntoView().setMeta('paste', true));
  return true;
}

/**
 * What is pasted from a word processor or a page is read as an import is, by the same reader: its lists, tables, links
 * and notes come in, its faces, sizes and colours do not. Where the reader cannot be fetched its words come in.
 */
export const CleanPaste = Extension.create({
  name: 'cleanPaste',
  addProseMirrorPlugins: () => [
    new Plugin({
      key: new PluginKey('cleanPaste'),
      props: {
        handleDOMEvents: {
          focus: () => {
            fetched().catch(() => undefined);
            return false;
          },
        },
        handlePaste(view, event) {
          const html = event.clipboardData?.getData('text/html') ?? '';
          const words = event.clipboardData?.getData('text/plain') ?? '';
          if (!html || isOwn(html) || view.state.selection.$from.parent.type.spec.code) return false;
          if (reader) return put(view, reader, html);
          const plainly = () => !view.isDestroyed && words && view.pasteText(words);
          fetched().then((read) => (!view.isDestroyed && put(view, read, html)) || plainly(), plainly);
          return true;
        },
      },
    }),
  ],
});
