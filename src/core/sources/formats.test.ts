import { bibtexEntries } from './bibtex';
import { pastedSource, sourceItemSchema, type SourceItem } from './item';
import { recordsOfRis, risOf } from './ris';

const item = (record: unknown): SourceItem => sourceItemSchema.parse(record);

describe('records of other programs', () => {
  it('keep particles and suffixes of names, and lose what names nobody', () => {
    const { author } = item({
      title: 'Rivers',
      author: [
        { family: 'Meer', given: 'Hanna', 'non-dropping-particle': 'van der' },
        { family: 'Price', given: 'Anselm', suffix: 'Jr.' },
        { family: '', given: '' },
        { family: 'others' },
      ],
    });
    expect(author).toEqual([
      { family: 'Meer', given: 'Hanna', 'non-dropping-particle': 'van der' },
      { family: 'Price', given: 'Anselm', suffix: 'Jr.' },
    ]);
  });
  it('keep the year of a date in words, and a date that says none costs no source', () => {
    expect(item({ title: 'A', issued: { raw: '2019-05-03' } }).issued).toEqual({
      'date-parts': [[2019, 5, 3]],
    });
    expect(item({ title: 'A', issued: { literal: 'circa 1890' } }).issued).toEqual({
      'date-parts': [[1890]],
    });
    expect(item({ title: 'A', issued: { literal: 'long ago' } })).toMatchObject({ title: 'A' });
  });
  it('may say a DOI as an address', () => {
    expect(item({ title: 'A', DOI: 'https://doi.org/10.5555/tidewell' }).DOI).toBe('10.5555/tidewell');
    expect(item({ title: 'A', DOI: 'none' })).toMatchObject({ title: 'A' });
  });
});

describe('BibTeX', () => {
  it('is read entry by entry: comments, words between, and one that is broken spoil no other', () => {
    const text =
      'Sources of week 6\n@comment{nothing}\n@string{p = {Amber Press}}\n@book{a, title={{The} Wall}, publisher=p}\nsee also\n@article(b, title="Meadows")\n@book{broken, title={never closed\n@book{c, title={Third}}\n';
    const entries = bibtexEntries(text);
    expect(entries).toHaveLength(4);
    expect(entries[0]).toBe('@string{p = {Amber Press}}\n@book{a, title={{The} Wall}, publisher=p}');
    expect(entries[1]).toContain('@article(b, title="Meadows")');
    expect(entries[3]).toContain('@book{c, title={Third}}');
    expect(pastedSource('See: @book{a, title={A}}')).toMatchObject({ kind: 'bibtex' });
  });
});

describe('RIS', () => {
  it('is read with its tags in any order, and lines that go on', () => {
    const [first, second] = recordsOfRis(
      '\uFEFFTY  - JOUR\r\nAU  - Holt, Maren\r\nA1  - Council of Amber\r\nTI  - Moving\r\n a wall\r\nJO  - Floodplains\r\nPY  - 2019\r\nDA  - 2019/05/03\r\nVL  - 4\r\nIS  - 2\r\nSP  - 11\r\nEP  - 19\r\nDO  - https://doi.org/10.5555/wall\r\nER  - \r\n\r\nTY  - BOOK\r\nT1  - Second\r\n',
    );
    expect(item(first)).toEqual({
      type: 'article-journal',
      title: 'Moving a wall',
      author: [{ family: 'Holt', given: 'Maren' }, { literal: 'Council of Amber' }],
      issued: { 'date-parts': [[2019, 5, 3]] },
      'container-title': 'Floodplains',
      volume: '4',
      issue: '2',
      page: '11-19',
      DOI: '10.5555/wall',
    });
    expect(second).toEqual({ type: 'book', title: 'Second' });
    expect(pastedSource('TY  - BOOK\nTI  - A\nER  - ')).toMatchObject({ kind: 'ris' });
  });
  it('that is written is read back the same', () => {
    const items = [
      item({
        type: 'chapter',
        title: 'Who pays',
        author: [{ family: 'Lind', given: 'Teodora', suffix: 'Jr.' }],
        editor: [{ literal: 'Amber Growers' }],
        issued: { 'date-parts': [[2020, 3]] },
        'container-title': 'Meadows',
        publisher: 'Amber Press',
        'publisher-place': 'Amberford',
        page: '3-9',
        URL: 'https://amber.example/pays',
      }),
      item({ type: 'webpage', title: 'A page', accessed: { 'date-parts': [[2026, 10, 13]] } }),
    ];
    expect(recordsOfRis(risOf(items)).map((r) => item(r))).toEqual(items);
  });
});
