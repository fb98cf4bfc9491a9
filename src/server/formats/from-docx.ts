import type { Written } from './written';
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
  "p[style-name='Caption'] => figcaption:fresh",
  "p[style-name='caption'] => figcaption:fresh",
  "r[style-name='Source Text'] => code",
  "r[style-name='HTML Code'] => code",
  'u => u',
];

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
  if (!entries?.has('word/document.xml')) return null;
  const { default: mammoth } = await import('mammoth');
  const pictures = new Map<string, Uint8Array>();
  try {
    const { value } = await mammoth.convertToHtml(
      { buffer: Buffer.from(zipped(entries, false)) },
      {
        styleMap: STYLES,
        includeDefaultStyleMap: true,
        // A blank line of code is a paragraph with nothing in it; elsewhere such a one falls away later.
        ignoreEmptyParagraphs: false,
        convertImage: mammoth.images.imgElement(async (image) => {
          const src = `picture:${pictures.size + 1}`;
          pictures.set(src, new Uint8Array(await image.readAsArrayBuffer()));
          return { src };
        }),
      },
    );
    // What is set as code here is code.
    const html = value.replace(/<pre>([\s\S]*?)<\/pre>/gu, '<pre><code>$1</code></pre>');
    return { html, pictures, left: leftIn(entries) };
  } catch {
    // mammoth throws plain errors of its XML reader: whatever it is, the file cannot be read.
    return null;
  }
}
