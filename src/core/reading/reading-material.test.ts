import { documentFromMarkdown } from '../formats/from-markdown';
import { plainText } from '../document/flatten';
import { readingText } from '../notes/reading-text';
import { levelsOf, pointsOf, rubricSchema } from '../rubric/rubric';
import { viewingsIn } from '../viewings/viewing';
import { quotationBlocks, withBlocks } from '../posts/quote';
import { documentFromCsv } from '../formats/from-csv';
import { sentencesToSpeak } from './aloud';
import { mentionsOf } from './mentions';

const at = (text: string, { from, to }: { from: number; to: number }) => {
  const reading = readingText(documentFromMarkdown(text));
  return reading.text.slice(reading.offsetOf(from), reading.offsetOf(to));
};

describe('readings that a prompt names', () => {
  const readings = [
    { slug: 'six', title: 'Chapter 6: Room for the river' },
    { slug: 'sixteen', title: 'Chapter 16: Dams' },
    { slug: 'letter', title: 'A letter from the nine farms' },
  ];
  const named = (text: string) =>
    mentionsOf(documentFromMarkdown(text), readings).map((m) => [at(text, m), m.slug]);

  it('are known by their number, however it is written', () => {
    expect(named('Use two ideas from chapter 6, or from Ch. 16.')).toEqual([
      ['chapter 6', 'six'],
      ['Ch. 16', 'sixteen'],
    ]);
  });
  it('are known by their title, with or without its number', () => {
    expect(named('Compare Room for the River with “A letter from the nine farms”.')).toEqual([
      ['Room for the River', 'six'],
      ['A letter from the nine farms', 'letter'],
    ]);
  });
  it('are not other numbers, and one place is one mention', () => {
    expect(named('Week 6 asks for 6 ideas from chapter 60.')).toEqual([]);
    expect(named('Chapter 6: Room for the river is short.')).toEqual([
      ['Chapter 6: Room for the river', 'six'],
    ]);
  });
});

describe('viewings in a prompt', () => {
  it('are the links of a line that says to watch or hear them', () => {
    const doc = documentFromMarkdown(
      'Watch [the breach](https://media.tidewell.example/breach) (9 minutes).\n\nRead [the reader](https://tidewell.example/r).\n\nListen to [the hearing](https://media.tidewell.example/h).',
    );
    expect(viewingsIn(doc)).toEqual([
      { id: 'viewing-1', title: 'the breach', href: 'https://media.tidewell.example/breach', minutes: 9 },
      { id: 'viewing-2', title: 'the hearing', href: 'https://media.tidewell.example/h' },
    ]);
  });
});

describe('a text read aloud', () => {
  it('is its sentences in order, each where it stands', () => {
    const text = '# Room\n\nThe wall held. It *makes* the damage.\n\n- First, ask.';
    const spoken = sentencesToSpeak(documentFromMarkdown(text));
    expect(spoken.map((s) => s.text)).toEqual([
      'Room',
      'The wall held.',
      'It makes the damage.',
      'First, ask.',
    ]);
    for (const s of spoken) expect(at(text, s)).toBe(s.text);
  });
  it('takes breath in a very long sentence, and leaves nothing out', () => {
    const long = `${Array.from({ length: 60 }, (_, i) => `clause ${i} of it`).join(', ')}.`;
    const spoken = sentencesToSpeak(documentFromMarkdown(long));
    expect(spoken.length).toBeGreaterThan(3);
    expect(Math.max(...spoken.map((s) => s.text.length))).toBeLessThanOrEqual(220);
    expect(spoken.map((s) => s.text).join(' ')).toBe(long);
    for (const s of spoken) expect(at(long, s)).toBe(s.text);
  });
});

describe('a rubric', () => {
  const rubric = rubricSchema.parse({
    criteria: [
      {
        id: 'a',
        title: 'A',
        levels: [
          { title: 'full', points: 5 },
          { title: 'none', points: 0 },
        ],
      },
      {
        id: 'b',
        title: 'B',
        levels: [
          { title: 'full', points: 3 },
          { title: 'half', points: 1.5 },
        ],
      },
    ],
  });
  it('adds the points of the levels that were chosen, and counts what is open', () => {
    expect(pointsOf(rubric, { a: 0 })).toEqual({ points: 5, of: 8, open: 1 });
    expect(pointsOf(rubric, { a: 1, b: 1 })).toEqual({ points: 1.5, of: 8, open: 0 });
  });
  it('takes levels that are its own, and nothing else that a form sends', () => {
    expect(levelsOf(rubric, { a: '1', b: '7', post: '3', c: '0' })).toEqual({ a: 1 });
    expect(levelsOf(rubric, { a: '', b: '1.5' })).toEqual({});
  });
});

describe('a quotation in a draft', () => {
  it('stands at its end with its source, and leaves a line to go on in', () => {
    const doc = withBlocks(
      {
        type: 'doc',
        content: [{ type: 'paragraph', content: [{ type: 'text', text: 'Mine.' }] }, { type: 'paragraph' }],
      },
      quotationBlocks({ text: 'The wall\nheld.', source: 'M. Holt, “The wall”' }),
    );
    expect(doc.content.map((n) => n.type)).toEqual(['paragraph', 'blockquote', 'paragraph', 'paragraph']);
    expect(plainText(doc)).toBe('Mine.\nThe wall\nheld.\n(M. Holt, “The wall”)');
  });
});

describe('a table in a file', () => {
  it('is read by its commas, its quotes and its semicolons (RFC 4180)', () => {
    expect(plainText(documentFromCsv('hour,level\n"0, midnight","1.2 ""high"""\n')!)).toBe(
      'hour\nlevel\n0, midnight\n1.2 "high"',
    );
    expect(plainText(documentFromCsv('a;b\n1;2\n')!)).toBe('a\nb\n1\n2');
  });
  it('is none where there is no second column', () => {
    expect(documentFromCsv('just\nlines')).toBeNull();
  });
});
