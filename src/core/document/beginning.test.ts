import fc from 'fast-check';
import { beginningOf } from './beginning';
import { parseDocument } from './document';
import { plainText } from './flatten';
import { documentOf } from '../formats/as-document';

const nodesIn = (node: { content?: unknown[] }): number =>
  1 + (node.content ?? []).reduce<number>((n, c) => n + nodesIn(c as { content?: unknown[] }), 0);

describe('the beginning of a document', () => {
  it('is the whole of one that is short', () => {
    const doc = documentOf('One.\n\n- two\n- three');
    expect(beginningOf(doc, { nodes: 100, characters: 10_000 })).toEqual({ doc, cut: false });
  });

  it('is a document of at most so many nodes, whose words begin the text', () => {
    const pieces = fc.constantFrom(
      'word ',
      '\n\n',
      '- a\n',
      '  - b\n',
      '> c\n\n',
      '|a|b|\n|-|-|\n|1|2|\n\n',
      '# d\n\n',
    );
    fc.assert(
      fc.property(fc.array(pieces, { maxLength: 60 }), fc.integer({ min: 12, max: 80 }), (parts, nodes) => {
        const whole = documentOf(`start ${parts.join('')}`);
        const { doc, cut } = beginningOf(whole, { nodes, characters: 1_000_000 });
        expect(parseDocument(doc)).toMatchObject({ ok: true });
        expect(nodesIn(doc) - 1).toBeLessThanOrEqual(nodes);
        expect(cut).toBe(nodesIn(doc) < nodesIn(whole));
        const words = plainText(doc).split(/\s+/u).join(' ').trim();
        expect(plainText(whole).split(/\s+/u).join(' ').startsWith(words)).toBe(true);
      }),
    );
  });

  it('cuts one long text where the room ends', () => {
    const { doc, cut } = beginningOf(documentOf('a'.repeat(900)), { nodes: 10, characters: 300 });
    expect([cut, plainText(doc).length < 300, plainText(doc).length > 100]).toEqual([true, true, true]);
  });
});
