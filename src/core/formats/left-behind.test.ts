import { documentFromText } from '../document/compose';
import type { Doc } from '../document/nodes';
import { leftBehind } from './left-behind';

const FILE = '00000000-0000-4000-8000-000000000000';

describe('what another place does not take over', () => {
  it('is nothing of words', () => {
    expect(leftBehind(documentFromText('Only words.\n\n> and a quotation'))).toEqual([]);
  });
  it('is what the text carries, by name, and then what becomes plain words', () => {
    const doc: Doc = {
      type: 'doc',
      content: [
        { type: 'partHeading', attrs: { part: '1', text: 'Why?' } },
        {
          type: 'paragraph',
          content: [
            { type: 'text', text: 'As Noor says', marks: [{ type: 'mention', attrs: { person: FILE } }] },
            { type: 'inlineMath', attrs: { latex: 'x^2' } },
            { type: 'note', attrs: { text: 'See there.' } },
          ],
        },
        {
          type: 'bulletList',
          content: [
            {
              type: 'listItem',
              content: [
                { type: 'picture', attrs: { file: FILE, width: 10, height: 10, alt: 'A levee' } },
                {
                  type: 'file',
                  attrs: { file: FILE, name: 'plan.pdf', mediaType: 'application/pdf', bytes: 9 },
                },
              ],
            },
          ],
        },
        { type: 'blockMath', attrs: { latex: 'y' } },
      ],
    };
    expect(leftBehind(doc)).toEqual([
      { kind: 'picture', n: 1, named: ['A levee'] },
      { kind: 'file', n: 1, named: ['plan.pdf'] },
      { kind: 'formula', n: 2, named: ['x^2', 'y'] },
      { kind: 'note', n: 1, named: ['See there.'] },
      { kind: 'naming', n: 1, named: ['As Noor says'] },
      { kind: 'question', n: 1, named: ['Why?'] },
    ]);
  });
});
