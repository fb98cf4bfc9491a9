import { instant, personId } from '../ids';
import type { Note } from './note';
import { annotationsOf, readAnnotations } from './web-annotation';

const CONTEXT = 'http://www.w3.org/ns/anno.jsonld';

/* The forms below follow the examples of the Web Annotation Data Model, W3C Recommendation 23 February 2017. */
const example = (more: object) => ({
  '@context': CONTEXT,
  id: 'http://example.org/anno',
  type: 'Annotation',
  ...more,
});

describe('the specification’s examples are read', () => {
  it('embedded textual body (3.2.4): its text without the markup', () => {
    const { notes } = readAnnotations(
      example({
        body: { type: 'TextualBody', value: '<p>j’adore !</p>', format: 'text/html', language: 'fr' },
        target: 'http://example.org/photo1',
      }),
    );
    expect(notes).toEqual([
      {
        body: 'j’adore !',
        passage: null,
        answers: null,
        id: 'http://example.org/anno',
        source: 'http://example.org/photo1',
      },
    ]);
  });

  it('string body (3.2.5)', () => {
    const { notes } = readAnnotations(
      example({ bodyValue: 'Comment text', target: 'http://example.org/target1' }),
    );
    expect(notes[0]?.body).toBe('Comment text');
  });

  it('text quote selector (4.2.4) and text position selector (4.2.5)', () => {
    const body = { type: 'TextualBody', value: 'A typo' };
    const quote = readAnnotations(
      example({
        body,
        target: {
          source: 'http://example.org/page1',
          selector: {
            type: 'TextQuoteSelector',
            exact: 'anotation',
            prefix: 'this is an ',
            suffix: ' that has some',
          },
        },
      }),
    );
    expect(quote.notes[0]).toMatchObject({
      source: 'http://example.org/page1',
      passage: { exact: 'anotation', prefix: 'this is an ', suffix: ' that has some' },
    });
    const position = readAnnotations(
      example({
        body,
        target: {
          source: 'http://example.org/ebook1',
          selector: { type: 'TextPositionSelector', start: 412, end: 795 },
        },
      }),
    );
    expect(position.notes[0]?.passage).toEqual({ start: 412, end: 795 });
  });

  it('refinement of selection (4.2.9): the finer one says where', () => {
    const { notes } = readAnnotations(
      example({
        body: { type: 'TextualBody', value: 'here' },
        target: {
          source: 'http://example.org/page1',
          selector: {
            type: 'FragmentSelector',
            value: 'para5',
            refinedBy: {
              type: 'TextQuoteSelector',
              exact: 'Selected Text',
              prefix: 'text before the ',
              suffix: ' and text after it',
            },
          },
        },
      }),
    );
    expect(notes[0]?.passage?.exact).toBe('Selected Text');
  });

  it('multiple bodies with purposes (3.2.4, 3.3.5): comments are read, tags are not notes', () => {
    const { notes } = readAnnotations(
      example({
        body: [
          { type: 'TextualBody', value: 'I love this part', purpose: 'commenting' },
          { type: 'TextualBody', value: 'love', purpose: 'tagging' },
        ],
        target: 'http://example.org/target1',
      }),
    );
    expect(notes[0]?.body).toBe('I love this part');
  });

  it('choice of bodies (3.2.7), and a body inside a specific resource (4)', () => {
    const choice = readAnnotations(
      example({
        body: { type: 'Choice', items: [{ type: 'TextualBody', value: 'in English' }] },
        target: 'http://example.org/t',
      }),
    );
    expect(choice.notes[0]?.body).toBe('in English');
    const specific = readAnnotations(
      example({
        body: {
          type: 'SpecificResource',
          purpose: 'commenting',
          source: { type: 'TextualBody', value: 'inside' },
        },
        target: 'http://example.org/t',
      }),
    );
    expect(specific.notes[0]?.body).toBe('inside');
  });

  it('annotation page and collection (5.1, 5.2): the items of what is inside; a body elsewhere is no note', () => {
    const page = {
      '@context': CONTEXT,
      id: 'http://example.org/page1',
      type: 'AnnotationPage',
      partOf: { id: 'http://example.org/collection1', label: 'Steampunk Annotations', total: 42023 },
      next: 'http://example.org/page2',
      startIndex: 0,
      items: [
        {
          id: 'http://example.org/anno1',
          type: 'Annotation',
          body: 'http://example.net/comment1',
          target: 'http://example.com/book/chapter1',
        },
        {
          id: 'http://example.org/anno2',
          type: 'Annotation',
          bodyValue: 'second',
          target: 'http://example.com/book/chapter2',
        },
      ],
    };
    expect(readAnnotations(page)).toMatchObject({
      notes: [{ body: 'second' }],
      problems: [{ n: 1, code: 'no-text' }],
    });
    const collection = {
      '@context': CONTEXT,
      id: 'http://example.org/collection1',
      type: 'AnnotationCollection',
      total: 1,
      first: page,
    };
    expect(readAnnotations(collection).notes.map((n) => n.body)).toEqual(['second']);
    // A collection whose pages are only named holds nothing that can be read here.
    expect(readAnnotations({ ...collection, first: 'http://example.org/page1' }).notes).toEqual([]);
  });

  it('highlighting (3.3.5) without a body marks a passage and says nothing', () => {
    const { notes } = readAnnotations(
      example({
        motivation: 'highlighting',
        target: { source: 'http://example.org/p', selector: { type: 'TextQuoteSelector', exact: 'marked' } },
      }),
    );
    expect(notes[0]).toMatchObject({ body: '', passage: { exact: 'marked' } });
  });

  it('names what is no annotation, by its number, and never throws', () => {
    expect(readAnnotations([{ type: 'Person' }, 7, null, example({ bodyValue: 'x' })]).problems).toEqual([
      { n: 1, code: 'no-annotation' },
      { n: 2, code: 'no-annotation' },
      { n: 3, code: 'no-annotation' },
      { n: 4, code: 'no-target' },
    ]);
    for (const odd of [
      null,
      7,
      'x',
      [],
      {},
      { type: 'Annotation', target: {} },
      { first: { first: { first: {} } } },
    ])
      expect(() => readAnnotations(odd)).not.toThrow();
  });
});

describe('what is written', () => {
  const note: Note = {
    id: '9b0e2c1c-7a44-4a8e-9d0a-1f2f3a4b5c6d',
    author: { id: personId('p'), name: 'Noor Vasquez', staff: false },
    parent: null,
    audience: 'class',
    body: 'Is it still true?',
    anchor: { exact: 'the damage', prefix: 'It makes ', suffix: '.', start: 10, end: 20 },
    madeAt: instant(Date.UTC(2026, 9, 12, 14, 0)),
    changedAt: instant(Date.UTC(2026, 9, 12, 15, 0)),
    removed: false,
  };
  const answer: Note = {
    ...note,
    id: '00000000-0000-4000-8000-000000000001',
    parent: note.id,
    anchor: null,
    changedAt: null,
  };
  const whole = annotationsOf(
    [note, answer, { ...note, id: 'x', removed: true }],
    'https://pulpit.example/readings/r',
    'Notes',
  );

  it('keeps the model’s musts: a context, an IRI, a class and a target for each', () => {
    expect(whole).toMatchObject({ '@context': CONTEXT, type: 'AnnotationCollection', total: 2 });
    const { items } = (whole as { first: { type: string; items: Record<string, unknown>[] } }).first;
    expect(items).toHaveLength(2);
    for (const item of items) {
      expect(item.type).toBe('Annotation');
      expect(item.id).toMatch(/^urn:uuid:/u);
      expect(item.target).toBeDefined();
      expect(item.created).toMatch(/^\d{4}-\d\d-\d\dT[\d:.]+Z$/u);
    }
    expect(items[1]).toMatchObject({ motivation: 'replying', target: `urn:uuid:${note.id}` });
  });

  it('is read again as it was', () => {
    const { notes, problems } = readAnnotations(JSON.parse(JSON.stringify(whole)));
    expect(problems).toEqual([]);
    expect(notes[0]).toEqual({
      body: note.body,
      passage: note.anchor,
      answers: null,
      id: `urn:uuid:${note.id}`,
      source: 'https://pulpit.example/readings/r',
    });
    expect(notes[1]?.answers).toBe(`urn:uuid:${note.id}`);
  });

  it('names its author and no address of theirs', () => {
    expect(JSON.stringify(whole)).not.toMatch(/@[a-z]+\.|mailto/u);
  });
});
