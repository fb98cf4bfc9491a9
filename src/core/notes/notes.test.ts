import fc from 'fast-check';
import { personId } from '../ids';
import { documentFromMarkdown } from '../formats/from-markdown';
import { anchorAt, anchorOfWords, locate, type Anchor } from './anchor';
import { marksOf, mayReadNote, type Note, type PlacedNote } from './note';
import { readingText } from './reading-text';

const TEXT =
  'A levee is a promise about a line. On this side it will be wet; on that side dry.\nThe wall does not make the flood. It makes the damage.\nOn this side it will be wet again, says the second paragraph.';

const anchorOf = (words: string, text = TEXT): Anchor => {
  const start = text.indexOf(words);
  const anchor = anchorAt(text, start, start + words.length);
  if (!anchor) throw new Error('no anchor');
  return anchor;
};
const said = (text: string, anchor: Anchor) => {
  const found = locate(text, anchor);
  return found && [text.slice(found.start, found.end), found.how];
};

describe('a passage', () => {
  it('is found at its words, wherever they have gone', () => {
    const anchor = anchorOf('It makes the damage.');
    expect(said(TEXT, anchor)).toEqual(['It makes the damage.', 'quote']);
    expect(said(`A new beginning.\n\n${TEXT}`, anchor)).toEqual(['It makes the damage.', 'quote']);
  });

  it('is told from the same words elsewhere by what surrounds them', () => {
    const words = 'On this side it will be wet';
    const second = anchorAt(TEXT, TEXT.lastIndexOf(words), TEXT.lastIndexOf(words) + words.length);
    const moved = `${'Something was put in before. '.repeat(8)}${TEXT}`;
    const found = second && locate(moved, second);
    expect(found?.start).toBe(moved.lastIndexOf(words));
  });

  it('is found at its place when its words were rewritten there and nothing around them', () => {
    const anchor = anchorOf('does not make the flood');
    const rewritten = TEXT.replace('does not make the flood', 'never caused any flood!');
    expect(rewritten.length).toBe(TEXT.length);
    expect(said(rewritten, anchor)).toEqual(['never caused any flood!', 'place']);
  });

  it('is found by likeness when a few letters changed and it moved', () => {
    const anchor = anchorOf('The wall does not make the flood. It makes the damage.');
    const changed = `New first line.\n${TEXT.replace('does not make the flood', 'doesn’t make a flood')}`;
    expect(said(changed, anchor)).toEqual(['The wall doesn’t make a flood. It makes the damage.', 'alike']);
  });

  it('is an orphan when it is gone', () => {
    expect(
      locate('Quite another text about wells, deeds and a long drought.', anchorOf('It makes the damage.')),
    ).toBeNull();
    expect(locate('', anchorOf('levee'))).toBeNull();
  });

  it('of a page’s length is found by its two ends', () => {
    const long = Array.from({ length: 60 }, (_, i) => `Sentence number ${i} speaks of weir ${i * 7}.`).join(
      ' ',
    );
    const text = `Before. ${long} After.`;
    const anchor = anchorOf(long, text);
    const changed = text.replace('number 30 speaks', 'number thirty tells');
    const found = locate(changed, anchor);
    expect(found?.how).toBe('alike');
    expect(changed.slice(found?.start, found?.end)).toMatch(/^Sentence number 0 .* weir 413\.$/u);
  });

  it('is anchored without the space around it, and never to nothing', () => {
    expect(anchorAt('  a wall  ', 0, 10)?.exact).toBe('a wall');
    expect(anchorAt('     ', 0, 5)).toBeNull();
  });

  it('is known by words that somebody typed, over the ends of lines', () => {
    const anchor = anchorOfWords(TEXT, 'that side dry.  The wall');
    expect(anchor?.exact).toBe('that side dry.\nThe wall');
    expect(anchorOfWords(TEXT, 'nothing of the kind stands here at all')).toBeNull();
  });

  it('anywhere in any text is found again where it was, and wherever the text around grows', () => {
    const word = fc.constantFrom(
      'wall',
      'river',
      'damage',
      'the',
      'a',
      'wet',
      'dry',
      'über',
      '堤防',
      '\n',
      'it’s',
    );
    const text = fc.array(word, { minLength: 3, maxLength: 60 }).map((w) => w.join(' '));
    fc.assert(
      fc.property(text, fc.nat(), fc.nat(), text, (t, a, b, more) => {
        const anchor = anchorAt(t, a % t.length, b % t.length);
        if (!anchor) return;
        expect(locate(t, anchor)).toMatchObject({ start: anchor.start, end: anchor.end, how: 'quote' });
        const grown = `${more}\n${t}\n${more}`;
        const found = locate(grown, anchor);
        expect(grown.slice(found?.start, found?.end)).toBe(anchor.exact);
      }),
    );
  });
});

describe('a reading’s text', () => {
  it('knows the way to positions of the document and back', () => {
    const doc = documentFromMarkdown(
      '# Title\n\nOne *two* three.\n\n- item\n\n| a | b |\n|---|---|\n| c | d |',
    );
    const reading = readingText(doc);
    expect(reading.text).toBe('Title\nOne two three.\nitem\na\nb\nc\nd');
    for (let i = 0; i < reading.text.length; i += 1) {
      if (reading.text[i] === '\n') continue;
      const [stretch] = reading.stretches(i, i + 1);
      expect(reading.offsetOf(stretch?.from ?? -1)).toBe(i);
    }
  });
});

describe('who may read a note', () => {
  const author = personId('author');
  const other = { id: personId('other'), staff: false };
  const staff = { id: personId('staff'), staff: true };
  it.each([
    ['class', true, true],
    ['staff', false, true],
    ['self', false, false],
  ] as const)('one for %s: a classmate %s, staff %s, its author always', (audience, classmate, byStaff) => {
    const note = { audience, authorId: author };
    expect(mayReadNote(note, other)).toBe(classmate);
    expect(mayReadNote(note, staff)).toBe(byStaff);
    expect(mayReadNote(note, { id: author, staff: false })).toBe(true);
  });
});

describe('the marks on a page', () => {
  const placed = (id: string, start: number, end: number, removed = false): PlacedNote => ({
    note: { id, removed } as Note,
    found: { start, end, how: 'quote' },
  });
  it('are one where passages overlap, with all their notes', () => {
    expect(marksOf([placed('b', 5, 12), placed('a', 0, 6), placed('c', 20, 30)])).toEqual([
      { start: 0, end: 12, notes: ['a', 'b'] },
      { start: 20, end: 30, notes: ['c'] },
    ]);
  });
  it('are none for what was taken back or is an orphan', () => {
    expect(marksOf([placed('a', 0, 5, true), { note: { id: 'o' } as Note, found: null }])).toEqual([]);
  });
});
