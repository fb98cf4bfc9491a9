import { givingUp } from '@/contract/files';
import { call } from '../request/call';
import type { StoredFile } from '@/core/document/attachments';
import type { Editor } from '@tiptap/core';
import { placeOfUpload, uploadPlaces, withBlock } from './upload-places';
import { scaled } from './scale';
import { Refused } from './asking';
import { sendFile } from './send-file';

/**
 * A file on its way into a text. `preparing` a picture that is being scaled, then `sending`; `waiting` for a connection;
 * `failed` may be tried again. One that is there leaves the list.
 */
export type Sending = {
  key: string;
  name: string;
  total: number;
  sent: number;
  state: 'preparing' | 'sending' | 'waiting' | 'failed';
  failure: { code: string; most?: number | undefined } | null;
};
/** No other try makes these another file. */
const FINAL = new Set(['file-too-large', 'empty-file', 'program', 'broken-picture']);
/** Whether a file is on its way, or could be if it is tried again. */
export const mayStillArrive = (s: Pick<Sending, 'state' | 'failure'>) =>
  s.state !== 'failed' || !FINAL.has(s.failure?.code ?? '');

type Kept = Sending & { source: File; abort: AbortController; id: string | null };

const nodeOf = (file: StoredFile) =>
  file.width && file.height
    ? { type: 'picture', attrs: { file: file.id, width: file.width, height: file.height, alt: '' } }
    : {
        type: 'file',
        attrs: { file: file.id, name: file.name, mediaType: file.mediaType, bytes: file.bytes },
      };

/** The files that are on their way into one text. Each has its place there, which moves as one writes on. */
export class SendingFiles {
  private list: readonly Kept[] = [];
  private readonly listeners = new Set<() => void>();
  private editor: Editor | null = null;
  private asking: string | null = null;

  constructor(private readonly course: string) {}

  get = (): readonly Sending[] => this.list;
  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };
  into(editor: Editor) {
    this.editor = editor;
  }

  private set(list: readonly Kept[]) {
    this.list = list;
    this.listeners.forEach((tell) => tell());
  }
  private change(key: string, to: Partial<Kept>) {
    this.set(this.list.map((s) => (s.key === key ? { ...s, ...to } : s)));
  }

  /** Takes files into the text, at a place or where one writes. */
  add(files: readonly File[], pos?: number) {
    const { editor } = this;
    if (!editor) return;
    for (const source of files) {
      const key = crypto.randomUUID();
      const at = pos ?? editor.state.selection.to;
      editor.view.dispatch(editor.state.tr.setMeta(uploadPlaces, { add: { key, at, name: source.name } }));
      const abort = new AbortController();
      const kept: Kept = {
        key,
        name: source.name || 'picture',
        total: source.size,
        sent: 0,
        state: 'preparing',
        failure: null,
        source,
        abort,
        id: null,
      };
      this.set([...this.list, kept]);
      void this.send(kept);
    }
  }

  private async send({ key, name, source, abort }: Kept) {
    try {
      const content = await scaled(source).catch(() => source);
      this.change(key, { state: 'sending', total: content.size });
      const file = await sendFile(
        this.course,
        { name, content },
        {
          begun: (id) => this.change(key, { id }),
          progress: (sent) => this.change(key, { sent }),
          waiting: (waits) => this.change(key, { state: waits ? 'waiting' : 'sending' }),
        },
        abort.signal,
      );
      this.arrive(key, file);
    } catch (error) {
      if (abort.signal.aborted) return;
      const failure =
        error instanceof Refused ? { code: error.code, most: error.most } : { code: 'unexpected' };
      this.change(key, { state: 'failed', failure });
      if (!mayStillArrive({ state: 'failed', failure })) this.unplace(key);
    }
  }

  /** Puts it where its place is now; of a picture the description is asked for, without taking anybody's cursor away. */
  private arrive(key: string, file: StoredFile) {
    const { editor } = this;
    const order = this.list.findIndex((s) => s.key === key);
    this.set(this.list.filter((s) => s.key !== key));
    if (!editor || editor.isDestroyed) return;
    const pos = placeOfUpload(editor.state, key) ?? editor.state.selection.to;
    const change = (to: object) => editor.view.dispatch(editor.state.tr.setMeta(uploadPlaces, to));
    change({ remove: { key } });
    const { tr, after } = withBlock(editor.state, pos, editor.schema.nodeFromJSON(nodeOf(file)));
    const later = this.list
      .slice(order)
      .filter((s) => placeOfUpload(editor.state, s.key) === pos)
      .map(({ key: other, name }) => ({ key: other, name }));
    editor.view.dispatch(tr);
    // Those that were chosen with it stand after it, whichever arrives first.
    for (const other of later) {
      change({ remove: { key: other.key } });
      change({ add: { ...other, at: after } });
    }
    if (file.width) this.ask(file.id);
  }

  /** Puts a clip where one writes; one writes on after it. */
  putClip(file: StoredFile, title: string) {
    const { editor } = this;
    if (!editor || editor.isDestroyed || !file.clip) return;
    const node = editor.schema.nodeFromJSON({
      type: 'clip',
      attrs: { file: file.id, title, ms: file.clip.ms, video: file.clip.video },
    });
    editor.view.dispatch(withBlock(editor.state, editor.state.selection.to, node).tr);
    editor.commands.focus();
  }

  /** The picture that has just arrived and is asked about. */
  asked = (): string | null => this.asking;
  ask = (file: string | null) => {
    this.asking = file;
    this.listeners.forEach((tell) => tell());
  };

  retry = (key: string) => {
    const sending = this.list.find((s) => s.key === key);
    if (!sending) return;
    const again: Kept = {
      ...sending,
      state: 'preparing',
      sent: 0,
      failure: null,
      abort: new AbortController(),
    };
    this.set(this.list.map((s) => (s.key === key ? again : s)));
    void this.send(again);
  };

  cancel = (key: string) => {
    const sending = this.list.find((s) => s.key === key);
    sending?.abort.abort();
    if (sending?.id) void call(givingUp, { id: sending.id }, null);
    this.set(this.list.filter((s) => s.key !== key));
    this.unplace(key);
  };

  private unplace(key: string) {
    const { editor } = this;
    if (editor && !editor.isDestroyed)
      editor.view.dispatch(editor.state.tr.setMeta(uploadPlaces, { remove: { key } }));
  }
}
