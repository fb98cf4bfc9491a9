import { COLOURS, inkOfColour } from '@/core/document/kinds/ink';
import { INKS, type Ink } from '@/core/document/limits';
import type { Written } from './written';
import { mathmlOfOmml } from './omml';
import { unzipped, zipped } from './zip';

/** How Word's and LibreOffice's named styles are read; without these mammoth knows headings and lists only. */
const STYLES = [
  "p[style-name='Title'] => h1:fresh",
  "p[style-name='Quote'] => blockquote > p:fresh",
  "p[style-name='Intense Quote'] => blockquote > p:fresh",
  "p[style-name='Quotations'] => blockquote > p:fresh",
  "p[style-name='Block Text'] => blockquote > p:fresh",
  "p[style-name='Preformatted Text'] => pre:separator('\\n')",
  "p[style-name='HTML Preformatted'] => pre:separator('\\n')",
  "p[style-name='Source Code'] => pre:separator('\\n')",
  "p[style-name='Caption'] => figcaption:fresh",
  "p[style-name='caption'] => figcaption:fresh",
  "r[style-name='Source Text'] => code",
  "r[style-name='HTML Code'] => code",
  "r[style-name='Verbatim Char'] => code",
  'u => u',
  ...INKS.map((name) => `r.ink-${name} => span.ink-${name}`),
  ...['center', 'right', 'justify'].map((way) => `p[style-name='stands ${way}'] => p.stands-${way}:fresh`),
];

const MAIN = 'word/document.xml';
// Letters for private use (Unicode, 23.5) hold the places of what mammoth does not read.
const [FORMULA_OPEN, FORMULA_CLOSE, RULE] = ['\uE0F5', '\uE0F6', '\uE0F7'];
const [START_OPEN, START_CLOSE] = ['\uE0F8', '\uE0F9'];

/** The stretches of a text from `open` to `close`, each changed: one pass, however often one of them stands there alone. */
function each(text: string, open: RegExp, close: string, change: (found: string) => string): string {
  let out = '';
  let at = 0;
  for (const { index } of text.matchAll(open)) {
    if (index < at) continue;
    const end = text.indexOf(close, index);
    if (end < 0) break;
    out += text.slice(at, index) + change(text.slice(index, end + close.length));
    at = end + close.length;
  }
  return out + text.slice(at);
}

/** The text with places for its formulas, and for the lines between paragraphs, which Word draws as the border of an empty one. */
function held(text: string): { xml: string; formulas: string[] } {
  const formulas: string[] = [];
  const hold = (omml: string) => {
    const mathml = mathmlOfOmml(omml);
    if (mathml === null) return omml;
    const place = `${FORMULA_OPEN}${formulas.push(mathml) - 1}${FORMULA_CLOSE}`;
    return `<w:r><w:t>${place}</w:t></w:r>`;
  };
  const xml = each(
    each(
      each(text.replace(/[\uE0F5-\uE0F9]/gu, ''), /<m:oMathPara[ >]/gu, '</m:oMathPara>', hold),
      /<m:oMath[ >]/gu,
      '</m:oMath>',
      hold,
    ),
    /<w:p[ >]/gu,
    '</w:p>',
    (p) =>
      /<w:pBdr>/u.test(p) &&
      !/<w:p[ >]/u.test(p.slice(4)) &&
      !/<w:(?:t|drawing|pict|object|br|tab)[ />]/u.test(p)
        ? `<w:p><w:r><w:t>${RULE}</w:t></w:r></w:p>`
        : p,
  );
  return { xml, formulas };
}

/** What numbered lists begin with, by their numbers, where that is not one: of the first level, and as the list itself says it. */
function startsIn(numbering: string): Map<string, number> {
  const start = (text: string) => Number(/<w:start(?:Override)? w:val="(\d{1,5})"/u.exec(text)?.[1] ?? 1);
  const kinds = new Map<string, number>();
  each(numbering, /<w:abstractNum /gu, '</w:abstractNum>', (kind) => {
    const level = /<w:lvl [^>]*w:ilvl="0"[^>]*>[\s\S]*?<\/w:lvl>/u.exec(kind)?.[0] ?? '';
    kinds.set(/w:abstractNumId="(\d+)"/u.exec(kind)?.[1] ?? '', start(level));
    return kind;
  });
  const starts = new Map<string, number>();
  each(numbering, /<w:num /gu, '</w:num>', (list) => {
    const kind = kinds.get(/<w:abstractNumId w:val="(\d+)"/u.exec(list)?.[1] ?? '') ?? 1;
    const own = /<w:lvlOverride w:ilvl="0">[\s\S]*?<\/w:lvlOverride>/u.exec(list)?.[0];
    const begins = own?.includes('startOverride') ? start(own) : kind;
    if (begins !== 1) starts.set(/w:numId="(\d+)"/u.exec(list)?.[1] ?? '', begins);
    return list;
  });
  return starts;
}

/** The text with what each list begins with before its first item, and our own inks as styles of their runs. */
function withStarts(text: string, starts: ReadonlyMap<string, number>): string {
  const begun = new Set<string>();
  const inked = text.replace(
    /(<w:rPr>)((?:(?!<w:rStyle|<\/w:rPr>)[\s\S]){0,600}?)<w:color w:val="([0-9A-Fa-f]{6})"\/>/gu,
    (whole, open: string, before: string, colour: string) => {
      const ink = inkOfColour(`#${colour}`);
      return ink ? `${open}<w:rStyle w:val="ink-${ink}"/>${before}` : whole;
    },
  );
  if (starts.size === 0) return inked;
  return each(inked, /<w:p[ >]/gu, '</w:p>', (p) => {
    const id = /<w:numId w:val="(\d+)"/u.exec(p)?.[1] ?? '';
    const start = starts.get(id);
    if (start === undefined || begun.has(id) || !/<w:ilvl w:val="0"/u.test(p)) return p;
    begun.add(id);
    return p.replace(/(<\/w:pPr>)/u, `$1<w:r><w:t>${START_OPEN}${start}${START_CLOSE}</w:t></w:r>`);
  });
}

type Aligned = {
  type?: string;
  alignment?: string | null;
  styleName?: string | null;
  numbering?: unknown;
  children?: Aligned[];
};
const WAYS: Record<string, string> = { center: 'center', right: 'right', end: 'right', both: 'justify' };
/** A paragraph that stands otherwise than usual and has no style of its own gets one by how it stands. */
function standing(p: Aligned): Aligned {
  if (p.type !== 'paragraph') return p.children ? { ...p, children: p.children.map(standing) } : p;
  const way = WAYS[p.alignment ?? ''];
  const usual = !p.styleName || /^(?:normal|body text|text body|default)$/iu.test(p.styleName);
  return way && usual && !p.numbering ? { ...p, styleName: `stands ${way}` } : p;
}

/** What stands in a .docx and is not read. */
function leftIn(entries: ReadonlyMap<string, Uint8Array>): Written['left'] {
  const text = (name: string) => Buffer.from(entries.get(name) ?? []).toString('utf8');
  const main = text('word/document.xml');
  const external = text('word/_rels/document.xml.rels').match(
    /relationships\/image"[^>]*TargetMode="External"/giu,
  );
  return {
    macros: entries.has('word/vbaProject.bin') ? 1 : 0,
    comments: main.match(/<w:commentReference\b/gu)?.length ?? 0,
    deleted: main.match(/<w:del\b/gu)?.length ?? 0,
    outside: external?.length ?? 0,
  };
}

/** A .docx (ECMA-376) as HTML with its pictures beside, or null where it cannot be read. Nothing outside the file is asked for. */
export async function fromDocx(bytes: Uint8Array): Promise<Written | null> {
  const entries = unzipped(bytes);
  const main = entries?.get(MAIN);
  if (!entries || !main) return null;
  const { xml, formulas } = held(new TextDecoder().decode(main));
  const starts = startsIn(new TextDecoder().decode(entries.get('word/numbering.xml')));
  const ready = new Map(entries).set(MAIN, new TextEncoder().encode(withStarts(xml, starts)));
  const { default: mammoth } = await import('mammoth');
  const pictures = new Map<string, Uint8Array>();
  try {
    const { value } = await mammoth.convertToHtml(
      { buffer: Buffer.from(zipped(ready, false)) },
      {
        styleMap: STYLES,
        includeDefaultStyleMap: true,
        // A blank line of code is a paragraph with nothing in it; elsewhere such a one falls away later.
        ignoreEmptyParagraphs: false,
        transformDocument: (element: Aligned) => standing(element),
        convertImage: mammoth.images.imgElement(async (image) => {
          const src = `picture:${pictures.size + 1}`;
          pictures.set(src, new Uint8Array(await image.readAsArrayBuffer()));
          return { src };
        }),
      },
    );
    const html = value
      // What is set as code here is code.
      .replace(/<pre>([\s\S]*?)<\/pre>/gu, '<pre><code>$1</code></pre>')
      .replace(/<ol>(<li>(?:<p>)?)\uE0F8(\d+)\uE0F9/gu, '<ol start="$2">$1')
      .replace(/\uE0F8\d+\uE0F9/gu, '')
      .replace(/<span class="ink-(\w+)">/gu, (_, name: Ink) => `<span style="color:${COLOURS[name]}">`)
      .replaceAll(`<p>${RULE}</p>`, '<hr>')
      .replace(/ class="stands-(center|right|justify)"/gu, ' style="text-align:$1"')
      .replace(/\uE0F5(\d+)\uE0F6/gu, (_, n: string) => formulas[Number(n)] ?? '');
    return { html, pictures, left: leftIn(entries) };
  } catch {
    // mammoth throws plain errors of its XML reader: whatever it is, the file cannot be read.
    return null;
  }
}
