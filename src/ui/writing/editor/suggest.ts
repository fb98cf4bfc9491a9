import { namesMatching, type NamedPerson, type NamedPost } from '@/core/document/names';
import { Extension } from '@tiptap/core';
import { PluginKey } from '@tiptap/pm/state';
import { Suggestion, type SuggestionOptions, type SuggestionProps } from '@tiptap/suggestion';

export type Names = { people: (NamedPerson & { role: string })[]; posts: NamedPost[] };
export type Suggested =
  | { kind: 'person'; key: string; label: string; detail: string; id: string }
  | { kind: 'post'; key: string; label: string; detail: string; id: number };
type Open = {
  items: Suggested[];
  at: number;
  /** Where the words being completed stand on the screen. */
  rect: () => DOMRect | null;
  choose: (item: Suggested) => void;
};

const MOST = 8;

/** The list of names that is open over the text, if any: written by the editor, shown by `NameList`. */
export class NameStore {
  private open: Open | null = null;
  private readonly listeners = new Set<() => void>();
  private asked: Promise<Names> | null = null;

  constructor(private readonly load: () => Promise<Names>) {}

  /** Asked for once, when the first sign is typed; a failed try is made again at the next. */
  names(): Promise<Names> {
    this.asked ??= this.load().catch(() => {
      this.asked = null;
      return { people: [], posts: [] };
    });
    return this.asked;
  }
  get = () => this.open;
  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };
  set = (open: Open | null) => {
    this.open = open;
    this.listeners.forEach((tell) => tell());
  };
}

const person = (p: Names['people'][number]): Suggested => ({
  kind: 'person',
  key: `person-${p.id}`,
  label: p.name,
  detail: p.role,
  id: p.id,
});
const post = (p: NamedPost): Suggested => ({
  kind: 'post',
  key: `post-${p.id}`,
  label: `#${p.id}`,
  detail: `${p.author}: ${p.opening}`,
  id: p.id,
});

/** What stands in the text once one is chosen. */
const written = (item: Suggested) =>
  item.kind === 'person'
    ? { text: `@${item.label}`, mark: { type: 'mention', attrs: { person: item.id } } }
    : { text: item.label, mark: { type: 'postReference', attrs: { post: item.id } } };

function suggestion(
  store: NameStore,
  options: Pick<SuggestionOptions<Suggested>, 'char' | 'items' | 'allowSpaces'> & { key: string },
): Omit<SuggestionOptions<Suggested>, 'editor'> {
  const { key, ...rest } = options;
  const shown = (props: SuggestionProps<Suggested>, at: number): Open | null =>
    props.items.length
      ? {
          items: props.items,
          at,
          rect: () => props.clientRect?.() ?? null,
          choose: (item) => props.command(item),
        }
      : null;
  return {
    ...rest,
    pluginKey: new PluginKey(key),
    command: ({ editor, range, props }) => {
      const { text, mark } = written(props);
      editor
        .chain()
        .focus()
        .insertContentAt(range, [
          { type: 'text', text, marks: [mark] },
          { type: 'text', text: ' ' },
        ])
        .run();
    },
    render: () => ({
      onStart: (props) => store.set(shown(props, 0)),
      onUpdate: (props) => store.set(shown(props, 0)),
      onExit: () => store.set(null),
      onKeyDown: ({ event }) => {
        const open = store.get();
        if (!open) return false;
        const n = open.items.length;
        if (event.key === 'ArrowDown') store.set({ ...open, at: (open.at + 1) % n });
        else if (event.key === 'ArrowUp') store.set({ ...open, at: (open.at + n - 1) % n });
        else if (event.key === 'Enter' || event.key === 'Tab') {
          const item = open.items[open.at];
          if (item) open.choose(item);
        } else if (event.key === 'Escape') store.set(null);
        else return false;
        return true;
      },
    }),
  };
}

/** `@` and a name, `#` and a number: offers whom and which post may be meant. */
export const Suggest = Extension.create<{ store: NameStore }>({
  name: 'suggest',
  addProseMirrorPlugins() {
    const { store } = this.options;
    return [
      Suggestion({
        editor: this.editor,
        ...suggestion(store, {
          key: 'mention',
          char: '@',
          allowSpaces: true,
          items: async ({ query }) =>
            namesMatching((await store.names()).people, query)
              .slice(0, MOST)
              .map(person),
        }),
      }),
      Suggestion({
        editor: this.editor,
        ...suggestion(store, {
          key: 'post',
          char: '#',
          items: async ({ query }) =>
            (await store.names()).posts
              .filter(
                (p) =>
                  String(p.id).startsWith(query) ||
                  namesMatching([{ id: '', name: p.author }], query).length > 0,
              )
              .slice(0, MOST)
              .map(post),
        }),
      }),
    ];
  },
});
