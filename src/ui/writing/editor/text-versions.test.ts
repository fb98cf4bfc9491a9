import { EditorState } from '@tiptap/pm/state';
import fc from 'fast-check';
import { documentFromText } from '@/core/document/compose';
import { schema } from '@/core/document/schema';
import { numberingTexts, versionOf, whereNow } from './text-versions';

const open = (text: string) =>
  EditorState.create({ doc: schema.nodeFromJSON(documentFromText(text)), plugins: [numberingTexts()] });

describe('where a stretch of an earlier text stands now', () => {
  const begun = open('The wall held for sixty years.');
  const wall = { from: 5, to: 9 };
  const said = (state: EditorState, version: number) =>
    whereNow(state, [wall], version).map((s) => state.doc.textBetween(s.from, s.to));

  it('is where its words are, whatever was typed before it', () => {
    const next = begun.apply(begun.tr.insertText('Yes: ', 1));
    expect(versionOf(next)).toBe(1);
    expect(said(next, 0)).toEqual(['wall']);
  });
  it('grows with what is typed within it, and not with what is typed at its edges', () => {
    const within = begun.apply(begun.tr.insertText('xx', 7));
    expect(said(within, 0)).toEqual(['waxxll']);
    const before = begun.apply(begun.tr.insertText('xx', 5));
    expect(said(before, 0)).toEqual(['wall']);
    const after = begun.apply(begun.tr.insertText('xx', 9));
    expect(said(after, 0)).toEqual(['wall']);
  });
  it('is nowhere once its words are gone, or where the text is another', () => {
    const gone = begun.apply(begun.tr.delete(4, 10));
    expect(said(gone, 0)).toEqual([]);
    expect(said(begun, 1)).toEqual([]);
  });
  it('is asked of the text it was found in', () => {
    const once = begun.apply(begun.tr.insertText('Yes: ', 1));
    const twice = once.apply(once.tr.insertText('Oh. ', 1));
    expect(
      whereNow(twice, [{ from: 10, to: 14 }], 1).map((s) => twice.doc.textBetween(s.from, s.to)),
    ).toEqual(['wall']);
  });

  it('holds for any typing that leaves its words alone', () =>
    fc.assert(
      fc.property(
        fc.array(fc.record({ at: fc.nat(60), text: fc.constantFrom('a', 'bc ', '…') }), { maxLength: 20 }),
        (typed) => {
          let state = begun;
          for (const { at, text } of typed) {
            const [now] = whereNow(state, [wall], 0);
            const pos = 1 + (at % (state.doc.content.size - 1));
            if (!now || (pos > now.from && pos < now.to)) continue;
            state = state.apply(state.tr.insertText(text, pos));
          }
          expect(said(state, 0)).toEqual(['wall']);
        },
      ),
    ));
});
