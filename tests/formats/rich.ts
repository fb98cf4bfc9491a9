import type { LeftKind } from '@/core/formats/left-behind';
import type { BlockNode, Doc, InlineNode, Mark } from '@/core/document/nodes';
import { leavesOf } from '@/core/document/blocks';
import { plainText } from '@/core/document/flatten';

const said = (text: string, ...marks: Mark[]): InlineNode => ({
  type: 'text',
  text,
  ...(marks.length ? { marks } : {}),
});
const p = (...content: InlineNode[]): BlockNode => ({ type: 'paragraph', content });
const item = (...content: BlockNode[]) => ({ type: 'listItem' as const, content });
const cell = (text: string, type: 'tableCell' | 'tableHeader' = 'tableCell') => ({
  type,
  content: [p(said(text))],
});

export const PICTURE = '6f4f7d0e-6f8d-4a57-8f26-3f8c5f1f8d01';
const FILE = '6f4f7d0e-6f8d-4a57-8f26-3f8c5f1f8d02';
const PERSON = '6f4f7d0e-6f8d-4a57-8f26-3f8c5f1f8d03';
export const CODE =
  'for (const gauge of gauges) {\n    if (gauge.high) {\n        warn(gauge);\n    }\n\n    note(gauge);\n}';

/** One text with everything that a text may hold. */
export const RICH: Doc = {
  type: 'doc',
  content: [
    { type: 'heading', attrs: { level: 2 }, content: [said('Give the meadows back')] },
    p(
      said('The levee is '),
      said('not', { type: 'bold' }),
      said(' the '),
      said('river', { type: 'italic' }),
      said(', says '),
      said('the survey', { type: 'link', attrs: { href: 'https://tidewell.example/survey?a=1&b=2' } }),
      said('.'),
      { type: 'note', attrs: { text: 'Holt, Rivers & floodplains, p. 12.' } },
      said(' It costs $5 million, '),
      said('struck out', { type: 'strike' }),
      said(', and H'),
      said('2', { type: 'subscript' }),
      said('O rises 10'),
      said('3', { type: 'superscript' }),
      said(' times, as '),
      said('gauge()', { type: 'code' }),
      said(' has it in '),
      said('brick', { type: 'ink', attrs: { name: 'brick' } }),
      said('.'),
    ),
    { type: 'heading', attrs: { level: 3 }, content: [said('What it costs')] },
    { type: 'heading', attrs: { level: 4 }, content: [said('In land')] },
    {
      type: 'bulletList',
      content: [
        item(p(said('meadows')), { type: 'bulletList', content: [item(p(said('wet ones')))] }),
        item(p(said('houses'))),
      ],
    },
    p(said('From the fifth on:')),
    {
      type: 'orderedList',
      attrs: { start: 5 },
      content: [item(p(said('buy the land'))), item(p(said('move the wall')))],
    },
    {
      type: 'table',
      content: [
        { type: 'tableRow', content: [cell('Plan', 'tableHeader'), cell('Cost', 'tableHeader')] },
        { type: 'tableRow', content: [cell('Set back'), cell('12 million')] },
      ],
    },
    { type: 'blockquote', content: [p(said('The wall was never finished.'))] },
    {
      type: 'picture',
      attrs: {
        file: PICTURE,
        width: 640,
        height: 480,
        alt: 'The old wall in spring',
        caption: 'The wall at Nether Amber',
        size: 50,
      },
    },
    p(said('Flow is '), { type: 'inlineMath', attrs: { latex: 'Q = v A' } }, said(' here, and in all')),
    { type: 'blockMath', attrs: { latex: '\\frac{a + b}{2}' } },
    { type: 'codeBlock', content: [{ type: 'text', text: CODE }] },
    { type: 'horizontalRule' },
    { type: 'paragraph', attrs: { textAlign: 'center' }, content: [said('Set in the middle')] },
    p(
      said('As '),
      said('@Noor Vasquez', { type: 'mention', attrs: { person: PERSON } }),
      said(' says in '),
      said('#12', { type: 'postReference', attrs: { post: 12 } }),
      said('.'),
    ),
    {
      type: 'embed',
      attrs: {
        url: 'https://media.tidewell.example/v/levees',
        title: 'Levees, a film',
        site: 'Tidewell Media',
      },
    },
    { type: 'clip', attrs: { file: FILE, title: 'Spoken at the wall', ms: 4_000, video: false } },
    { type: 'file', attrs: { file: FILE, name: 'gauges.csv', mediaType: 'text/csv', bytes: 1_200 } },
  ],
};

type Leaf = ReturnType<typeof leavesOf>[number];
const marked = (doc: Doc, type: Mark['type'], words: string) =>
  leavesOf(doc.content).some((leaf: Leaf) =>
    (('content' in leaf && leaf.content) || []).some(
      (n) =>
        n.type === 'text' &&
        n.text.trim() === words &&
        Boolean((n as { marks?: Mark[] }).marks?.some((m) => m.type === type)),
    ),
  );
const isSame = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);
const blocksOf = (doc: Doc) => JSON.stringify(doc.content);
const has = (doc: Doc, block: BlockNode | InlineNode) => blocksOf(doc).includes(JSON.stringify(block));
const math = (doc: Doc, type: 'inlineMath' | 'blockMath', latex: string) =>
  [
    ...blocksOf(doc).matchAll(
      new RegExp(`"type":"${type}","attrs":\\{"latex":"((?:[^"\\\\]|\\\\.)*)"`, 'gu'),
    ),
  ].some(([, found = '']) =>
    isSame(String(JSON.parse(`"${found}"`)).replace(/\s/gu, ''), latex.replace(/\s/gu, '')),
  );

/** One thing that a text holds: whether it is there still, and its words, which are to stay where it is not. */
export type Feature = {
  name: string;
  words: string;
  is: (doc: Doc) => boolean;
  /** What somebody is told of it before a file is made that cannot hold it. */
  told?: LeftKind;
};

const heading = (level: number, text: string): Feature => ({
  name: `heading ${level}`,
  words: text,
  is: (doc) => has(doc, { type: 'heading', attrs: { level }, content: [said(text)] }),
});
const mark = (name: string, type: Mark['type'], words: string): Feature => ({
  name,
  words,
  is: (doc) => marked(doc, type, words),
});

export const FEATURES: readonly Feature[] = [
  heading(2, 'Give the meadows back'),
  heading(3, 'What it costs'),
  heading(4, 'In land'),
  mark('bold', 'bold', 'not'),
  mark('italic', 'italic', 'river'),
  mark('struck out', 'strike', 'struck out'),
  mark('subscript', 'subscript', '2'),
  mark('superscript', 'superscript', '3'),
  mark('code among words', 'code', 'gauge()'),
  { ...mark('colour', 'ink', 'brick'), told: 'colour' },
  {
    name: 'link',
    words: 'the survey',
    is: (doc) => blocksOf(doc).includes('"href":"https://tidewell.example/survey?a=1&b=2"'),
  },
  {
    name: 'note',
    words: 'Holt, Rivers & floodplains, p. 12.',
    is: (doc) => has(doc, { type: 'note', attrs: { text: 'Holt, Rivers & floodplains, p. 12.' } }),
  },
  {
    name: 'sum of money',
    words: 'It costs $5 million',
    is: (doc) => plainText(doc).includes('It costs $5 million'),
  },
  {
    name: 'list in a list',
    words: 'wet ones',
    is: (doc) =>
      blocksOf(doc).includes(
        JSON.stringify(
          item(p(said('meadows')), { type: 'bulletList', content: [item(p(said('wet ones')))] }),
        ),
      ),
  },
  {
    name: 'numbers from five',
    words: 'buy the land',
    is: (doc) => /"orderedList","attrs":\{"start":5\}[^\]]*buy the land/u.test(blocksOf(doc)),
  },
  {
    name: 'table',
    words: 'Set back',
    is: (doc) =>
      has(doc, { type: 'table', content: [] } as BlockNode) ||
      /"table","content":.*Plan.*Cost.*Set back.*12 million/u.test(blocksOf(doc)),
  },
  {
    name: 'head of a table',
    words: 'Plan',
    is: (doc) => /"tableHeader"[^\]]*\[[^\]]*"Plan"/u.test(blocksOf(doc)),
  },
  {
    name: 'quotation',
    words: 'The wall was never finished.',
    is: (doc) => has(doc, { type: 'blockquote', content: [p(said('The wall was never finished.'))] }),
  },
  {
    name: 'picture',
    words: 'The old wall in spring',
    is: (doc) => blocksOf(doc).includes('"type":"picture"'),
  },
  {
    name: 'what a picture shows',
    words: 'The old wall in spring',
    is: (doc) => blocksOf(doc).includes('"alt":"The old wall in spring"'),
  },
  {
    name: 'caption',
    words: 'The wall at Nether Amber',
    is: (doc) => blocksOf(doc).includes('"caption":"The wall at Nether Amber"'),
  },
  { name: 'size of a picture', words: '', is: (doc) => blocksOf(doc).includes('"size":50') },
  {
    told: 'formula',
    name: 'formula among words',
    words: 'Q',
    is: (doc) => math(doc, 'inlineMath', 'Q = v A'),
  },
  {
    told: 'formula',
    name: 'formula on its own line',
    words: 'a',
    is: (doc) => math(doc, 'blockMath', '\\frac{a + b}{2}'),
  },
  {
    name: 'block of code',
    words: 'warn(gauge);',
    is: (doc) => has(doc, { type: 'codeBlock', content: [{ type: 'text', text: CODE }] }),
  },
  { name: 'line across', words: '', is: (doc) => has(doc, { type: 'horizontalRule' }) },
  {
    name: 'alignment',
    words: 'Set in the middle',
    is: (doc) =>
      has(doc, { type: 'paragraph', attrs: { textAlign: 'center' }, content: [said('Set in the middle')] }),
  },
  { ...mark('mention', 'mention', '@Noor Vasquez'), told: 'naming' },
  { ...mark('post referred to', 'postReference', '#12'), told: 'naming' },
  {
    name: 'player',
    words: 'Levees, a film',
    is: (doc) => blocksOf(doc).includes('"href":"https://media.tidewell.example/v/levees"'),
  },
  {
    told: 'clip',
    name: 'clip',
    words: 'Spoken at the wall',
    is: (doc) => blocksOf(doc).includes('"type":"clip"'),
  },
  { told: 'file', name: 'file', words: 'gauges.csv', is: (doc) => blocksOf(doc).includes('"type":"file"') },
];

/** How a thing is found again: as what it was, as its words, or not at all. */
export function foundAgain(doc: Doc, { words, is }: Feature): 'whole' | 'words' | 'gone' {
  if (is(doc)) return 'whole';
  const text = `${plainText(doc)}\n${blocksOf(doc)}`;
  return words !== '' && text.includes(words) ? 'words' : 'gone';
}
