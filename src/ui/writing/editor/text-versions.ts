import { Extension } from '@tiptap/core';
import { Plugin, PluginKey, type EditorState } from '@tiptap/pm/state';
import { Mapping, type StepMap } from '@tiptap/pm/transform';

/** So many changes are remembered: whoever answers about an older text answers about nothing that stands here. */
const REMEMBERED = 4_000;

type Versions = { version: number; maps: readonly StepMap[] };
const key = new PluginKey<Versions>('textVersions');

/** Keeps the number of the text, and what was typed. */
export const numberingTexts = () =>
  new Plugin<Versions>({
    key,
    state: {
      init: () => ({ version: 0, maps: [] }),
      apply: (tr, before) =>
        tr.steps.length === 0
          ? before
          : {
              version: before.version + tr.steps.length,
              maps: [...before.maps, ...tr.mapping.maps].slice(-REMEMBERED),
            },
    },
  });

/** Numbers the editor's texts: each change makes the next, and what was typed since an earlier one is known. */
export const TextVersions = Extension.create({
  name: 'textVersions',
  addProseMirrorPlugins: () => [numberingTexts()],
});

/** The number of the text that stands in the editor. */
export const versionOf = (state: EditorState): number => key.getState(state)?.version ?? 0;

/**
 * Where stretches of an earlier text stand now: grown and moved by what was typed since, and without those whose words are
 * gone. Nothing of a text that is too long ago.
 */
export function whereNow<T extends { from: number; to: number }>(
  state: EditorState,
  stretches: readonly T[],
  version: number,
): T[] {
  const { version: now, maps } = key.getState(state) ?? { version: 0, maps: [] };
  const typed = now - version;
  if (typed > maps.length || typed < 0) return [];
  const mapping = new Mapping(maps.slice(maps.length - typed));
  const size = state.doc.content.size;
  return stretches.flatMap((s) => {
    // What is typed at its edges is not of it.
    const from = mapping.map(s.from, 1);
    const to = mapping.map(s.to, -1);
    return from < to && to <= size ? [{ ...s, from, to }] : [];
  });
}
