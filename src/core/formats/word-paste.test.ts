import { figures } from '../checks/check-draft';
import { runChecks } from '../checks/checks';
import { plainText } from '../document/flatten';
import { emptyDocument, parseDocument } from '../document/document';
import type { Doc } from '../document/nodes';
import { brief as briefOf } from '../../../tests/fixtures/build';
import { documentFromHtml } from './from-html';
import { startPace } from '../../../tests/fixtures/pace';

const said = (text: string, ...marks: string[]) => ({
  type: 'text',
  text,
  ...(marks.length ? { marks: marks.map((type) => ({ type })) } : {}),
});
const p = (...content: object[]) => ({ type: 'paragraph', content });
const item = (...content: object[]) => ({ type: 'listItem', content });
const note = (text: string) => ({ type: 'note', attrs: { text } });

/** The clipboard's HTML as word processors write it: conditional comments, their own styles, marks for the notes. */
const WORD = (body: string, foot = '') =>
  `<html xmlns:o="urn:schemas-microsoft-com:office:office"><head><meta name=Generator content="Words 15"><style><!--p.MsoNormal{font-size:11pt;font-family:Calibri}--></style></head><body lang=EN-GB><!--StartFragment-->${body}<!--EndFragment-->${foot}</body></html>`;
const ITEM = (list: string, level: number, mark: string, text: string) =>
  `<p class=MsoListParagraph style='margin-left:${level * 36}pt;text-indent:-18pt;mso-list:${list} level${level} lfo1'><![if !supportLists]><span style='font-family:Symbol'><span style='mso-list:Ignore'>${mark}<span style='font:7.0pt "Times New Roman"'>&nbsp;&nbsp;&nbsp; </span></span></span><![endif]><span style='color:red'>${text}</span></p>`;

describe('what a word processor puts on the clipboard', () => {
  it('loses faces, sizes and colours and keeps bold, italics and links', () => {
    const html = WORD(
      `<p class=MsoNormal><span style='font-size:22pt;font-family:Arial;color:#C00000'>The <b style='mso-bidi-font-weight:normal'>levee</b> is <i>old</i>, <a href="https://tidewell.example/a">see</a>.<o:p></o:p></span></p>`,
    );
    expect(documentFromHtml(html).content).toEqual([
      p(
        said('The '),
        said('levee', 'bold'),
        said(' is '),
        said('old', 'italic'),
        said(', '),
        {
          type: 'text',
          text: 'see',
          marks: [{ type: 'link', attrs: { href: 'https://tidewell.example/a' } }],
        },
        said('.'),
      ),
    ]);
  });

  it('has its lists as lists, nested as they stood, without the written marks', () => {
    const html = WORD(
      ITEM('l0', 1, '·', 'One') +
        ITEM('l0', 2, 'o', 'Inner') +
        ITEM('l0', 1, '·', 'Two') +
        '<p>Then</p>' +
        ITEM('l1', 1, '3.', 'Third') +
        ITEM('l1', 1, '4.', 'Fourth'),
    );
    expect(documentFromHtml(html).content).toEqual([
      {
        type: 'bulletList',
        content: [
          item(p(said('One')), { type: 'bulletList', content: [item(p(said('Inner')))] }),
          item(p(said('Two'))),
        ],
      },
      p(said('Then')),
      {
        type: 'orderedList',
        attrs: { start: 3 },
        content: [item(p(said('Third'))), item(p(said('Fourth')))],
      },
    ]);
  });

  it.each([
    [
      'mso marks',
      WORD(
        `<p class=MsoNormal>Water rises<a style='mso-footnote-id:ftn1' href="#_ftn1" name="_ftnref1" title=""><span class=MsoFootnoteReference><![if !supportFootnotes]>[1]<![endif]></span></a> in spring.</p>`,
        `<div style='mso-element:footnote-list'><![if !supportFootnotes]><br clear=all><hr align=left size=1 width="33%"><![endif]><div style='mso-element:footnote' id=ftn1><p class=MsoFootnoteText><a href="#_ftnref1" name="_ftn1" title="">[1]</a> Holt, Rivers, 12.</p></div></div>`,
      ),
    ],
    [
      'sd marks',
      '<p>Water rises<a class="sdfootnoteanc" name="sdfootnote1anc" href="#sdfootnote1sym"><sup>1</sup></a> in spring.</p><div id="sdfootnote1"><p class="sdfootnote"><a class="sdfootnotesym" name="sdfootnote1sym" href="#sdfootnote1anc">1</a> Holt, Rivers, 12.</p></div>',
    ],
    [
      'a browser’s word processor',
      '<b style="font-weight:normal;" id="internal-guid-1"><p dir="ltr"><span style="font-size:11pt">Water rises</span><sup><a href="#ftnt1" id="ftnt_ref1">[1]</a></sup><span> in spring.</span></p><hr><div><p dir="ltr"><a href="#ftnt_ref1" id="ftnt1">[1]</a><span>&nbsp;Holt, Rivers, 12.</span></p></div></b>',
    ],
    [
      'a page’s endnotes',
      '<p>Water rises<a id="fnref1" href="#fn1" role="doc-noteref"><sup>1</sup></a> in spring.</p><section role="doc-endnotes"><hr><ol><li id="fn1"><p>Holt, Rivers, 12.<a href="#fnref1" role="doc-backlink">↩︎</a></p></li></ol></section>',
    ],
  ])('has its notes as notes, and nothing of them twice: %s', (_, html) => {
    expect(documentFromHtml(html).content).toEqual([
      p(said('Water rises'), note('Holt, Rivers, 12.'), said(' in spring.')),
    ]);
  });

  it('keeps links to a chapter of the page, which are no notes', () => {
    const html = '<p><a href="#two">Two</a></p><h2 id="two">Two</h2><p>Words.</p>';
    expect(plainText(documentFromHtml(html))).toBe('Two\nTwo\nWords.');
  });

  it('takes as long for many marks as for their number, not for its square', () => {
    const marks = Array.from({ length: 20_000 }, () => '<a href="#x" id="y">1</a>').join('');
    const took = startPace();
    documentFromHtml(`<p>${marks}</p><p id="x"><a href="#y">back</a> A note.</p>`);
    expect(took()).toBeLessThan(5_000);
  });

  it('has tables as tables, without their widths', () => {
    const html = WORD(
      `<table class=MsoTableGrid border=1 style='border-collapse:collapse'><tr><td width=300 style='width:225pt;background:yellow'><p class=MsoNormal>Plan</p></td><td><p class=MsoNormal>Cost</p></td></tr></table>`,
    );
    expect(documentFromHtml(html).content).toEqual([
      {
        type: 'table',
        content: [
          {
            type: 'tableRow',
            content: ['Plan', 'Cost'].map((t) => ({ type: 'tableCell', content: [p(said(t))] })),
          },
        ],
      },
    ]);
  });
});

describe('a note', () => {
  const doc = {
    type: 'doc',
    content: [p(said('Water rises'), note('Ostrom (2019), p. 4.'), said(' in spring.'))],
  } as Doc;
  it('may be part of a text', () => {
    expect(parseDocument(doc).ok).toBe(true);
    expect(parseDocument({ type: 'doc', content: [p(note(''))] }).ok).toBe(false);
  });
  it('is no own words, and is shown apart', () => {
    expect(figures(doc, [])).toMatchObject({ own: 4, notes: 4 });
  });
  it('is found and read aloud with the text it stands in', () => {
    expect(plainText(doc)).toBe('Water rises [Ostrom (2019), p. 4.] in spring.');
  });
  it('cites, where its mark stands', () => {
    const brief = briefOf({ response: { sources: { min: 1 } } });
    const [check] = runChecks({ kind: 'response', brief, title: '', doc }).filter((c) => c.id === 'sources');
    expect(check).toMatchObject({ have: 1, met: true, evidence: [{ from: 12, to: 13 }] });
    const none = runChecks({ kind: 'response', brief, title: '', doc: emptyDocument });
    expect(none.find((c) => c.id === 'sources')?.met).toBe(false);
  });
});
