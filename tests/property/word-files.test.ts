import { documentFromHtml } from '@/core/formats/from-html';
import type { Doc } from '@/core/document/nodes';
import { fromDocx } from '@/server/formats/from-docx';
import { docxOf } from '@/server/formats/to-docx';
import { unzipped } from '@/server/formats/zip';

const DOC: Doc = {
  type: 'doc',
  content: [
    { type: 'heading', attrs: { level: 2 }, content: [{ type: 'text', text: 'Plan' }] },
    {
      type: 'orderedList',
      attrs: { start: 5 },
      content: ['fifth', 'sixth'].map((text) => ({
        type: 'listItem',
        content: [{ type: 'paragraph', content: [{ type: 'text', text }] }],
      })),
    },
    { type: 'codeBlock', content: [{ type: 'text', text: 'if (a) {\n  b();\n\n  c();\n}' }] },
    { type: 'paragraph', content: [{ type: 'text', text: 'after', marks: [{ type: 'bold' }] }] },
  ],
};
const parts = async () => {
  const entries = unzipped(await docxOf('A title', DOC, new Map()));
  const text = (name: string) => new TextDecoder().decode(entries?.get(name));
  return {
    document: text('word/document.xml'),
    styles: text('word/styles.xml'),
    numbering: text('word/numbering.xml'),
  };
};

describe('a Word file of ours', () => {
  it('has the style all others rest on, by which other programs see its headings', async () => {
    const { styles } = await parts();
    expect(styles.match(/w:styleId="Normal"/gu)).toHaveLength(1);
    expect(styles).toContain('w:default="1" w:styleId="Normal"');
    for (const [, on] of styles.matchAll(/<w:basedOn w:val="(\w+)"/gu))
      expect(styles).toContain(`w:styleId="${on}"`);
  });
  it('denies no run a weight or a slant', async () => {
    const { document } = await parts();
    expect(document).not.toMatch(/<w:(?:b|i|strike)\b[^>]*w:val="false"/u);
    expect(document.match(/<w:b\/>/gu)).toHaveLength(1);
  });
  it('begins its numbered lists where they begin', async () => {
    const { document, numbering } = await parts();
    const used = /<w:numId w:val="(\d+)"/u.exec(document)?.[1] ?? '';
    const own = new RegExp(`<w:num w:numId="${used}"[\\s\\S]*?</w:num>`, 'u').exec(numbering)?.[0] ?? '';
    const abstract = /w:abstractNumId w:val="(\d+)"/u.exec(own)?.[1] ?? '';
    const levels =
      new RegExp(`<w:abstractNum [^>]*w:abstractNumId="${abstract}"[\\s\\S]*?</w:abstractNum>`, 'u').exec(
        numbering,
      )?.[0] ?? '';
    expect(levels).toContain('<w:start w:val="5"/>');
    expect(own).toContain('<w:startOverride w:val="5"/>');
  });
  it('comes back with its code as code', async () => {
    const back = await fromDocx(await docxOf('A title', DOC, new Map()));
    const doc = documentFromHtml(back?.html ?? '');
    expect(doc.content).toContainEqual(DOC.content[2]);
    expect(doc.content.at(-1)).toEqual(DOC.content[3]);
  });
});
