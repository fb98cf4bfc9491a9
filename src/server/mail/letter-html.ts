import type { Letter, LetterPart } from './letter';

const SERIF = "Georgia, 'Times New Roman', serif";
const SANS = "'Helvetica Neue', Helvetica, Arial, sans-serif";

/** The tokens of the application that a mail has, light and dark. */
const DARK = `
  @media (prefers-color-scheme: dark) {
    .ground, .ground > div { background: #1b1a17 !important; }
    .page, .page > table { background: #24221d !important; }
    .page div, .page p, .page td { color: #ece7da !important; }
    .quiet div, .quiet td { color: #b5ae9d !important; }
    a { color: #9cc3e6 !important; }
    .quote td { border-color: #d9a441 !important; }
    .go td, .go a { background: #7fc3ab !important; color: #10231d !important; }
  }`;

/** A place in a form that is filled in for each reader: signs that stand in no text of ours. */
const slot = (i: number) => `\uE000${i}\uE001`;
const SLOT = /\uE000(\d+)\uE001/gu;

const escaped = (text: string) =>
  text
    .replace(/&/gu, '&amp;')
    .replace(/</gu, '&lt;')
    .replace(/>/gu, '&gt;')
    .replace(/"/gu, '&quot;')
    .replace(/[\uE000\uE001]/gu, '');

/** The form of a part in MJML, and what is to be filled into it. */
function formOf(part: LetterPart, at: (value: string) => string): string {
  const words = (text: string, extra = '') => `<mj-text ${extra}>${at(text)}</mj-text>`;
  switch (part.kind) {
    case 'paragraph':
      return words(part.text);
    case 'link':
      return `${part.text ? words(part.text) : ''}<mj-button align="left" css-class="go" href="${at(part.href)}" background-color="#17493f" color="#ffffff" border-radius="7px" font-family="${SANS}" font-size="15px" font-weight="600" inner-padding="11px 18px">${at(part.label)}</mj-button>`;
    case 'heading':
      return words(
        part.text,
        `css-class="quiet" color="#57544a" font-family="${SANS}" font-size="13px" font-weight="600" padding-top="22px"`,
      );
    case 'item':
      return `<mj-text padding-top="14px" padding-bottom="2px"><a href="${at(part.href)}" style="color:#2f5d86;font-weight:600;font-size:17px;text-decoration:none">${at(part.title)}</a></mj-text>${
        part.meta
          ? words(
              part.meta,
              `css-class="quiet" color="#57544a" font-family="${SANS}" font-size="13px" padding-top="0"`,
            )
          : ''
      }`;
    case 'quote':
      return `<mj-table css-class="quote" padding-top="4px"><tr><td style="border-left:3px solid #b9780a;padding:2px 0 2px 12px;font-family:${SERIF};font-size:15px;line-height:1.5">${at(part.text)}${
        part.by ? `<br><span style="font-family:${SANS};font-size:12px">${at(part.by)}</span>` : ''
      }</td></tr></mj-table>`;
  }
}

/** The forms that were made, by their MJML: mails of one kind differ by what is filled in alone, and making a form is dear. */
const forms = new Map<string, Promise<string>>();
const MOST_FORMS = 200;

/** What makes forms is large: who sends mails loads it before the first, and nobody's page waits for it. */
export const loadForms = () => import('mjml');

async function made(source: string): Promise<string> {
  const { default: mjml } = await loadForms();
  const { html, errors } = await mjml(source, { validationLevel: 'strict', fonts: {}, keepComments: false });
  if (errors.length) throw new Error(`The form of a mail is not right: ${errors[0]?.message}`);
  // Its indentation is a third of it.
  return html.replace(/\n\s+/gu, '\n');
}

/**
 * A letter as HTML for mail programs: tables, at most 600 px wide and fluid below, nothing that is loaded, and dark where its reader is. Every
 * word is text that is escaped when it is filled in.
 */
export async function letterHtml(letter: Letter): Promise<string> {
  const values: string[] = [];
  const at = (value: string) => slot(values.push(value) - 1);
  const body = letter.parts.map((part) => formOf(part, at)).join('');
  const foot = letter.foot
    .map((f) =>
      f.href
        ? `<p style="margin:0 0 8px"><a href="${at(f.href)}" style="color:#2f5d86">${at(f.text)}</a></p>`
        : `<p style="margin:0 0 8px">${at(f.text)}</p>`,
    )
    .join('');
  const source = `<mjml lang="en"><mj-head><mj-title>${at(letter.subject)}</mj-title><mj-preview>${at(letter.preview)}</mj-preview>
<mj-raw><meta name="color-scheme" content="light dark"><meta name="supported-color-schemes" content="light dark"></mj-raw>
<mj-attributes><mj-all font-family="${SERIF}" /><mj-text color="#1f1e1a" font-size="16px" line-height="1.5" padding="8px 24px" /><mj-button padding="10px 24px" /><mj-table padding="8px 24px" color="#1f1e1a" /></mj-attributes>
<mj-style>${DARK}</mj-style></mj-head>
<mj-body background-color="#e8e5da" css-class="ground"><mj-wrapper padding="18px 8px"><mj-section css-class="page" background-color="#fdfcf7" border-radius="8px" padding="14px 0"><mj-column>
<mj-text>${at(letter.hello)}</mj-text>${body}<mj-text css-class="quiet" color="#57544a" font-family="${SANS}" font-size="14px">${at(letter.from)}</mj-text>
</mj-column></mj-section>${
    foot
      ? `<mj-section padding="6px 0 0"><mj-column><mj-text css-class="quiet" color="#57544a" font-family="${SANS}" font-size="12.5px">${foot}</mj-text></mj-column></mj-section>`
      : ''
  }</mj-wrapper></mj-body></mjml>`;
  let form = forms.get(source);
  if (!form) {
    if (forms.size >= MOST_FORMS) forms.clear();
    form = made(source);
    form.catch(() => forms.delete(source));
    forms.set(source, form);
  }
  const breaks = (text: string) => escaped(text).replace(/\n/gu, '<br>');
  return (await form).replace(SLOT, (_, i: string) => breaks(values[Number(i)] ?? ''));
}
