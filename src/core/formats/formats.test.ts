import { parseDocument } from '../document/document';
import { flatten, plainText } from '../document/flatten';
import { documentOf } from './as-document';
import { documentFromHtml } from './from-html';
import { documentFromMarkdown } from './from-markdown';
import { textOfPages } from './pdf-lines';
import type { Run } from './pdf-page';
import { startPace } from '../../../tests/fixtures/pace';
import { htmlOf } from './to-html';
import { markdownOf } from './to-markdown';

const kinds = (html: string) => documentFromHtml(html).content.map((n) => n.type);

describe('a pasted text as a document', () => {
  it('keeps each line of a prompt a line, and each list a list', () => {
    const doc = documentFromMarkdown('Due: Thursday\nReplies: two\n\n1. Why?\n2. How?');
    expect(doc.content.map((n) => n.type)).toEqual(['paragraph', 'orderedList']);
    expect(plainText(doc)).toBe('Due: Thursday\nReplies: two\nWhy?\nHow?');
  });

  it('reads cells with tabs between them, and a table of Markdown, as a table', () => {
    for (const text of [
      'What\tBy when\nPost\tThu\nReplies\tSun',
      '| What | By when |\n|---|---|\n| Post | Thu |\n| Replies | Sun |',
    ]) {
      const doc = documentOf(text);
      expect(doc.content.map((n) => n.type)).toEqual(['table']);
      const rows = new Set(flatten(doc).map((l) => l.row));
      expect(rows.size).toBe(3);
    }
  });

  it('takes indented text for a paragraph and not for code, and raw tags for what they say', () => {
    expect(plainText(documentFromMarkdown('Write:\n\n    at least <b> 200 words'))).toBe(
      'Write:\nat least <b> 200 words',
    );
  });

  it('keeps text that runs from right to left as it is', () => {
    const text = 'اكتب ردًا من 200 كلمة على الأقل.';
    expect(plainText(documentOf(text))).toBe(text);
  });
});

describe('HTML as a document', () => {
  it('keeps headings, lists, quotations, tables and links, and nothing that runs or colours', () => {
    const html = `<style>p{color:red}</style><script>alert(1)</script><h1>Week 3</h1>
      <p onclick="x()">Write <span style="font-weight:700">250 words</span>.<a href="javascript:alert(1)">go</a>
      <a href="https://tidewell.example/r">reader</a></p>
      <blockquote>They say</blockquote><table><tr><th>a</th><th>b</th></tr><tr><td>c</td><td>d</td></tr></table>`;
    const doc = documentFromHtml(html);
    expect(doc.content.map((n) => n.type)).toEqual(['heading', 'paragraph', 'blockquote', 'table']);
    const text = JSON.stringify(doc);
    expect(text).not.toMatch(/javascript|alert|onclick|red/u);
    expect(text).toContain('"bold"');
    expect(text).toContain('https://tidewell.example/r');
  });

  it('sees through a table that is only a frame, and through what is hidden', () => {
    expect(kinds('<table><tr><td><p>One</p><p>Two</p></td></tr></table>')).toEqual([
      'paragraph',
      'paragraph',
    ]);
    expect(plainText(documentFromHtml('<p>Seen<span style="display: none">not</span></p>'))).toBe('Seen');
  });

  it('lays flat what nests deeper than a document may, and loses no words', () => {
    const deep = `${'<ul><li>level'.repeat(40)}${'</li></ul>'.repeat(40)}`;
    const doc = documentFromHtml(deep);
    expect(parseDocument(doc).ok).toBe(true);
    expect(plainText(doc).match(/level/gu)).toHaveLength(40);
  });

  it('gives a document for any tag soup', () => {
    for (const soup of [
      '',
      '<',
      '<li>alone',
      '</p></div>',
      '<table><td>x',
      '<a href=x><a href=y>z',
      '&#0;&nbsp;',
    ])
      expect(parseDocument(documentFromHtml(soup)).ok).toBe(true);
  });
});

describe('a document on its way out', () => {
  const source = `## Heading

Own *words* and **more**\\
second line with [a link](<https://tidewell.example/a_b>)

1. one
2. two

   more of two

- bullet

> quoted

| a | b |
| --- | --- |
| x \\| y | z |
`;
  it('is the same after a way through Markdown, and through HTML', () => {
    const doc = documentFromMarkdown(source);
    expect(documentFromMarkdown(markdownOf(doc))).toEqual(doc);
    expect(documentFromHtml(htmlOf(doc))).toEqual(doc);
  });

  it('escapes what would be read as a mark', () => {
    const text = '# no heading * no list _no_ <b> [x] 1. no';
    const doc = {
      type: 'doc' as const,
      content: [{ type: 'paragraph' as const, content: [{ type: 'text' as const, text }] }],
    };
    expect(documentFromMarkdown(markdownOf(doc))).toEqual(doc);
    expect(documentFromHtml(htmlOf(doc))).toEqual(doc);
  });

  it('carries part headings as bold lines', () => {
    const doc = {
      type: 'doc' as const,
      content: [{ type: 'partHeading' as const, attrs: { part: '1', text: 'Why <so>?' } }],
    };
    expect(htmlOf(doc)).toBe('<p><strong>1. Why &lt;so&gt;?</strong></p>');
    expect(markdownOf(doc)).toBe('**1. Why \\<so\\>?**\n');
  });
});

describe('printed pages as text', () => {
  const page = (...lines: [number, string][]): Run[] =>
    lines.map(([y, text]) => ({ text, x: 50, y, width: text.length * 5, size: 10 }));

  it('joins lines, mends words cut at a line’s end, and keeps paragraphs and items apart', () => {
    const text = textOfPages([
      page(
        [700, 'Write a response that explains how the commu-'],
        [688, 'nity decided, in at least 250 words altogether'],
        [664, '1. Who decides?'],
        [652, '2. Who pays?'],
      ),
    ]);
    expect(text).toBe(
      'Write a response that explains how the community decided, in at least 250 words altogether\n\n1. Who decides?\n2. Who pays?',
    );
  });

  it('leaves out page numbers, addresses and heads that stand on every page', () => {
    const pages = [1, 2, 3].map((n) =>
      page(
        [800, 'GEO 115 Discussion board'],
        [700, ['Page 1 goes on', 'Page 2 tells more', 'Page 3 is about the end of it'][n - 1] ?? ''],
        [688, ['about rivers', 'about walls', 'about fields'][n - 1] ?? ''],
        [676, ['and towns.', 'and money.', 'and law.'][n - 1] ?? ''],
        [20, `https://tidewell.example/p ${n}/3`],
      ),
    );
    const text = textOfPages(pages);
    expect(text).not.toMatch(/board|https/u);
    expect(text).toMatch(/Page 1 goes[\s\S]*Page 2 tells[\s\S]*Page 3 is/u);
  });

  it('puts the runs of one line in order, with space where they stand apart', () => {
    const runs: Run[] = [
      { text: 'words', x: 90, y: 700.4, width: 20, size: 10 },
      { text: '250', x: 50, y: 700, width: 15, size: 10 },
    ];
    expect(textOfPages([runs])).toBe('250 words');
  });
});

describe('Markdown that is made to take long', () => {
  it.each([
    ['stars', '*a_'.repeat(60_000)],
    ['stars in many paragraphs', `${'*a_'.repeat(140)}\n\n`.repeat(600)],
    ['quotations in each other', `${'> '.repeat(10_000)}x`],
    ['lists in each other', Array.from({ length: 2_000 }, (_, i) => `${' '.repeat(i)}- x`).join('\n')],
    ['brackets', '['.repeat(200_000)],
    ['closing brackets', ']'.repeat(200_000)],
    ['signs that were escaped already', '\\*'.repeat(100_000)],
    ['megabytes', 'a *b* c\n\n'.repeat(500_000)],
  ])('is read in time, and its words stay: %s', (_, source) => {
    const took = startPace();
    const doc = documentFromMarkdown(source);
    expect(took()).toBeLessThan(9_000);
    const letters = (text: string) => text.match(/[abcx]/gu)?.length ?? 0;
    expect(letters(plainText(doc))).toBe(letters(source));
  });
  it('is read as ever where a person wrote it', () => {
    expect(plainText(documentFromMarkdown('*One* of [two](https://a.example) `three` \\*four\\*'))).toBe(
      'One of two three *four*',
    );
  });
});
