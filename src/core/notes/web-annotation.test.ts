import { annotationsIn } from '@/server/notes/read-annotations';
import { readAnnotations } from './web-annotation';

const OA = 'http://www.w3.org/ns/oa#';

describe('notes in the model’s other forms say the same', () => {
  const usual = {
    '@context': 'http://www.w3.org/ns/anno.jsonld',
    id: 'urn:uuid:1',
    type: 'Annotation',
    motivation: 'commenting',
    body: { type: 'TextualBody', value: 'Why seventy?' },
    target: {
      source: 'https://tidewell.example/levees',
      selector: { type: 'TextQuoteSelector', exact: 'seventy years', prefix: 'held for ' },
    },
  };
  const prefixed = {
    '@context': { oa: OA },
    '@id': 'urn:uuid:1',
    '@type': 'oa:Annotation',
    'oa:motivatedBy': { '@id': 'oa:commenting' },
    'oa:hasBody': { '@type': 'oa:TextualBody', 'rdf:value': 'Why seventy?' },
    'oa:hasTarget': {
      'oa:hasSource': { '@id': 'https://tidewell.example/levees' },
      'oa:hasSelector': {
        '@type': 'oa:TextQuoteSelector',
        'oa:exact': 'seventy years',
        'oa:prefix': 'held for ',
      },
    },
  };
  const expanded = [
    {
      '@id': 'urn:uuid:1',
      '@type': [`${OA}Annotation`],
      [`${OA}motivatedBy`]: [{ '@id': `${OA}commenting` }],
      [`${OA}hasBody`]: [
        {
          '@type': [`${OA}TextualBody`],
          'http://www.w3.org/1999/02/22-rdf-syntax-ns#value': [{ '@value': 'Why seventy?' }],
        },
      ],
      [`${OA}hasTarget`]: [
        {
          [`${OA}hasSource`]: [{ '@id': 'https://tidewell.example/levees' }],
          [`${OA}hasSelector`]: [
            {
              '@type': [`${OA}TextQuoteSelector`],
              [`${OA}exact`]: [{ '@value': 'seventy years' }],
              [`${OA}prefix`]: [{ '@value': 'held for ' }],
            },
          ],
        },
      ],
    },
  ];
  it.each([
    ['names with a prefix', prefixed],
    ['whole IRIs', expanded],
  ])('%s', (_name, json) => {
    const read = readAnnotations(usual);
    expect(read.notes).toHaveLength(1);
    expect(readAnnotations(json)).toEqual(read);
  });
  it('a body that stands elsewhere is its address', () => {
    const { notes } = readAnnotations({ ...usual, body: 'https://tidewell.example/said.txt' });
    expect(notes[0]?.body).toBe('https://tidewell.example/said.txt');
  });
  it('an annotation without any text is named, and what is nested without end is read no further', () => {
    expect(readAnnotations({ ...usual, body: [] }).problems).toEqual([{ n: 1, code: 'no-text' }]);
    let deep: unknown = 'x';
    for (let i = 0; i < 5_000; i += 1) deep = { 'oa:hasBody': deep };
    expect(() => readAnnotations({ ...usual, body: deep })).not.toThrow();
  });
});

it('words without a place are placed where they stand', () => {
  const text = 'The wall held for seventy years. It was never finished.';
  const file = JSON.stringify({
    type: 'Annotation',
    body: { type: 'TextualBody', value: 'So long?' },
    target: { source: 'x:y', selector: { type: 'TextQuoteSelector', exact: 'seventy years' } },
  });
  const found = annotationsIn(file, text)?.notes[0];
  const at = text.indexOf('seventy years');
  expect(found).toMatchObject({
    lost: false,
    anchor: { start: at, end: at + 13, prefix: expect.stringMatching(/held for $/u) as string },
  });
});
