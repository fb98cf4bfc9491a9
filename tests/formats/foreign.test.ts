import type { Doc } from '@/core/document/nodes';
import { plainText } from '@/core/document/flatten';
import { documentFromHtml } from '@/core/formats/from-html';
import { documentFromMarkdown } from '@/core/formats/from-markdown';
import { openFile } from '@/server/formats/read-file';
import { latexOfMathml } from '@/server/formats/mathml';
import { mathmlOfOmml, ommlOf } from '@/server/formats/omml';
import { zipped } from '@/server/formats/zip';

const rows = (doc: Doc) =>
  doc.content.flatMap((block) =>
    block.type === 'table'
      ? block.content.map((row) =>
          row.content.map((cell) => plainText({ type: 'doc', content: cell.content }).trim()),
        )
      : [],
  );
const read = async (name: string, bytes: Uint8Array | string) => {
  const opened = await openFile({ name, bytes: Buffer.from(bytes as string), cut: false });
  if (!opened.ok) throw new Error(opened.failure.code);
  const { text } = opened.value;
  return 'doc' in text ? text.doc : documentFromHtml(text.html, undefined, latexOfMathml);
};
const odt = (body: string, more: Record<string, string> = {}) =>
  zipped(
    new Map(
      Object.entries({
        mimetype: 'application/vnd.oasis.opendocument.text',
        'content.xml': `<office:document-content xmlns:office="o" xmlns:text="t" xmlns:table="b" xmlns:draw="d" xmlns:xlink="x"><office:body><office:text>${body}</office:text></office:body></office:document-content>`,
        ...more,
      }).map(([name, said]) => [name, new TextEncoder().encode(said)]),
    ),
    true,
  );

describe('a cell that spans several moves none beside or beneath it', () => {
  it('in a page, across and down, with its caption before', () => {
    const doc = documentFromHtml(
      '<table><caption>Flow by year</caption><tr><th>Gauge<th colspan="2">High<tr><td rowspan="2">Amber<td>1<td>2<tr><td>3<td>4</table>',
    );
    expect(plainText(doc)).toMatch(/^Flow by year/u);
    expect(rows(doc)).toEqual([
      ['Gauge', 'High', ''],
      ['Amber', '1', '2'],
      ['', '3', '4'],
    ]);
  });
  it('in an OpenDocument text, where cells may also stand for several', async () => {
    const cell = (words: string, more = '') =>
      `<table:table-cell ${more}><text:p>${words}</text:p></table:table-cell>`;
    const doc = await read(
      'a.odt',
      odt(
        `<table:table><table:table-row>${cell('High', 'table:number-columns-spanned="2"')}<table:covered-table-cell/>${cell('Low')}</table:table-row><table:table-row>${cell('x', 'table:number-columns-repeated="2"')}${cell('y')}</table:table-row></table:table>`,
      ),
    );
    expect(rows(doc)).toEqual([
      ['High', '', 'Low'],
      ['x', 'x', 'y'],
    ]);
  });
  it('in rich text, by where cells end', async () => {
    const doc = await read(
      'a.rtf',
      String.raw`{\rtf1 \trowd\cellx2000\cellx3000 \intbl High\cell Low\cell\row \trowd\cellx1000\cellx2000\cellx3000 \intbl a\cell b\cell c\cell\row}`,
    );
    expect(rows(doc)).toEqual([
      ['High', '', 'Low'],
      ['a', 'b', 'c'],
    ]);
  });
  it('and no table is larger than anybody reads, whatever it says of itself', () => {
    const doc = documentFromHtml(
      `<table>${'<tr><td colspan="900" rowspan="60000">x<td>y'.repeat(400)}</table>`,
    );
    expect(rows(doc).flat().length).toBeLessThan(40_000);
  });
});

describe('formulas of other programs', () => {
  it.each([
    ['<math><mfrac><mi>a</mi><mi>b</mi></mfrac></math>', '\\frac{a}{b}'],
    [
      '<math><msqrt><mi>x</mi></msqrt><mo>+</mo><msup><mi>y</mi><mn>2</mn></msup></math>',
      '\\sqrt{x} + y^{2}',
    ],
    [
      '<math><semantics><mi>x</mi><annotation encoding="application/x-tex">\\dot{x}</annotation></semantics></math>',
      '\\dot{x}',
    ],
  ])('%s', (mathml, latex) => {
    const doc = documentFromHtml(`<p>So ${mathml} it is.</p>`, undefined, latexOfMathml);
    expect(JSON.stringify(doc)).toContain(JSON.stringify({ type: 'inlineMath', attrs: { latex } }));
    expect(plainText(doc)).toMatch(/^So .* it is\.$/u);
  });
  it.each([
    'E = m c^{2}',
    '\\frac{a + b}{2}',
    '\\sum_{i = 1}^{n} x_{i}',
    '\\sqrt[3]{x}',
    '\\alpha \\leq \\beta',
  ])('by way of Office Math: %s', (latex) => {
    const back = latexOfMathml(mathmlOfOmml(ommlOf(latex, false) ?? '') ?? '');
    expect(back?.replace(/\s/gu, '')).toBe(latex.replace(/\s/gu, ''));
  });
  it('what is drawn of a formula for the eye is not read beside it', () => {
    const doc = documentFromHtml(
      '<p>Q <span><span><math><annotation encoding="application/x-tex">v A</annotation></math></span><span aria-hidden="true">vA</span></span>.</p>',
    );
    expect(plainText(doc)).toBe('Q $v A$.');
  });
  it.each([
    'It costs $5 and then $10.',
    'Between $250 and $300 (US$) a year.',
    'A$ and C$ are dollars; US$ too.',
    'Spend $20,000 (US$) at most.',
    'Price: $5/hour or $40/day.',
    'Cash ($) or euro (€), yen (¥) or dollar ($).',
    'Say it in $, in € or in $, as you like.',
    'Set $HOME/bin:$PATH first.',
  ])('sums of money are none: %s', (text) => expect(plainText(documentFromMarkdown(text))).toBe(text));
  it('a formula between dollars is one, and not in code', () => {
    const doc = JSON.stringify(documentFromMarkdown('With $Q = v A$ and `$x$`:\n\n$$\n\\frac{1}{2}\n$$'));
    expect(doc).toContain('"latex":"Q = v A"');
    expect(doc).toContain('{"type":"blockMath","attrs":{"latex":"\\\\frac{1}{2}"}}');
    expect(doc).toContain('"text":"$x$"');
  });
});

describe('rich text as other programs write it', () => {
  it('has lists whose marks are words of the line, and links without quotation marks', async () => {
    const doc = await read(
      'a.rtf',
      String.raw`{\rtf1 {\pard \li360 \fi-360 \bullet \tx360\tab meadows\par}{\pard \li360 \fi-360 \bullet \tx360\tab houses\par}{\pard See {\field{\*\fldinst HYPERLINK https://tidewell.example/a}{\fldrslt the survey}}.\par}}`,
    );
    expect(doc.content.map((b) => b.type)).toEqual(['bulletList', 'paragraph']);
    expect(JSON.stringify(doc)).toContain('"href":"https://tidewell.example/a"');
  });
  it('has notes of several paragraphs, of which none sticks to the next', async () => {
    const doc = await read('a.rtf', String.raw`{\rtf1 Held.{\footnote \pard One.\par Two.} So.\par}`);
    expect(JSON.stringify(doc)).toContain('"text":"One. Two."');
  });
});

it('headings of the highest kind beside the title keep apart from the next', () => {
  const levels = documentFromHtml('<h1>Week 6</h1><h2>Task</h2><h3>Part</h3>').content.map((b) =>
    b.type === 'heading' ? b.attrs.level : 0,
  );
  expect(levels).toEqual([2, 3, 4]);
});
