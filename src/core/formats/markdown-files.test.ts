import { growth } from '../../../tests/fixtures/pace';
import fc from 'fast-check';
import type { Doc } from '../document/nodes';
import { documentOf, htmlOfText } from './as-document';
import { documentFromHtml } from './from-html';
import { documentFromMarkdown, htmlFromMarkdown } from './from-markdown';
import { htmlOf } from './to-html';
import { markdownOf } from './to-markdown';

const kinds = (doc: Doc) => doc.content.map((b) => b.type);
const CODE = 'if (a) {\n  b();\n\n\tc(); // <br> & "d"\n}';
const codeDoc: Doc = {
  type: 'doc',
  content: [{ type: 'codeBlock', content: [{ type: 'text', text: CODE }] }],
};

describe('a Markdown text', () => {
  it('stays one, whatever single tag stands in it', () => {
    const text =
      '# Plan\n\n- one\n- two\n\n| a | b |\n|---|---|\n| x<br>y | `</b>` |\n\n<https://river.example>';
    const doc = documentOf(text);
    expect(kinds(doc)).toEqual(['heading', 'bulletList', 'table', 'paragraph']);
    expect(JSON.stringify(doc)).toContain('hardBreak');
    expect(JSON.stringify(doc)).toContain('</b>');
    expect(JSON.stringify(doc)).toContain('https://river.example');
  });
  it('that is a page is still read as a page', () => {
    expect(htmlOfText('<p>One</p><ul><li>Two</li></ul>')).toBe('<p>One</p><ul><li>Two</li></ul>');
  });
  it('keeps the tags for what it has no sign of, and no others', () => {
    expect(htmlFromMarkdown('H<sub>2</sub>O and List<String>')).toBe(
      '<p>H<sub>2</sub>O and List&lt;String&gt;</p>',
    );
    expect(htmlFromMarkdown('`<b>x</b><br>`')).toBe('<p><code>&lt;b&gt;x&lt;/b&gt;&lt;br&gt;</code></p>');
    expect(htmlFromMarkdown('at least <b> 200, \\<b>two\\</b>')).toBe(
      '<p>at least &lt;b&gt; 200, &lt;b&gt;two&lt;/b&gt;</p>',
    );
  });
  it('loses what a program wrote over it for itself', () => {
    expect(kinds(documentFromMarkdown('---\ntitle: Rivers\ntags:\n  - a\n---\n# Head\n'))).toEqual([
      'heading',
    ]);
    expect(kinds(documentFromMarkdown('---\n\nNo names, and no values.\n\n---\n'))).toEqual([
      'horizontalRule',
      'paragraph',
      'horizontalRule',
    ]);
  });
  it('is read in no more time than its length calls for, whatever stands over it', () => {
    const lines = (n: number) => htmlFromMarkdown(`---\n${' \n'.repeat(n)}x`);
    expect(growth(lines, 5_000)).toBeLessThan(9);
  });
});

describe('a block of code', () => {
  it('comes back as one, with its indentation and its blank lines', () => {
    const markdown = markdownOf(codeDoc);
    expect(documentFromMarkdown(markdown)).toEqual(codeDoc);
    expect(documentFromHtml(htmlOf(codeDoc))).toEqual(codeDoc);
  });
  it('comes back whatever it holds', () =>
    fc.assert(
      fc.property(
        fc
          .array(
            fc.constantFrom(
              'a',
              ' ',
              '  ',
              '`',
              '```',
              '~~~',
              '<br>',
              '&amp;',
              '#',
              '- ',
              '|',
              '>',
              '\n',
              '---',
            ),
            {
              minLength: 1,
              maxLength: 12,
            },
          )
          .map((p) => p.join(''))
          .filter((code) => code.trim() !== '' && !/\n\s*$|^\s*\n/u.test(code)),
        (code) => {
          const doc: Doc = {
            type: 'doc',
            content: [{ type: 'codeBlock', content: [{ type: 'text', text: code }] }],
          };
          expect(documentFromMarkdown(markdownOf(doc))).toEqual(doc);
          expect(documentFromHtml(htmlOf(doc))).toEqual(doc);
        },
      ),
    ));
  it('stands in a list behind a paragraph, and a text that is only set as it stands is no code', () => {
    const [list] = documentFromHtml('<ul><li><pre><code>x</code></pre></li></ul>').content;
    expect(JSON.stringify(list)).toContain('[{"type":"paragraph"},{"type":"codeBlock"');
    expect(kinds(documentFromHtml('<pre>Write 200 words</pre>'))).toEqual(['paragraph']);
  });
});
