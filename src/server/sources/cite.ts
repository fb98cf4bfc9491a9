import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Cite, plugins } from '@citation-js/core';
import '@citation-js/plugin-bibtex';
import '@citation-js/plugin-csl';
import { documentFromHtml } from '@/core/formats/from-html';
import type { InlineNode } from '@/core/document/nodes';
import { flatten } from '@/core/document/flatten';
import { bibtexEntries } from '@/core/sources/bibtex';
import { STYLES, type Cited, type CitationStyle, type SourceItem } from '@/core/sources/item';

const FILES: Partial<Record<CitationStyle, string>> = {
  mla: 'modern-language-association.csl',
  chicago: 'chicago-author-date.csl',
};

let ready = false;
function prepare() {
  if (ready) return;
  const { templates } = plugins.config.get('@csl');
  for (const [name, file] of Object.entries(FILES))
    templates.add(name, readFileSync(join(process.cwd(), 'src/server/sources/styles', file), 'utf8'));
  ready = true;
}

/** The inline content of the one entry of a list, with its italics. */
function entryOf(html: string): InlineNode[] {
  const doc = documentFromHtml(html);
  const [first] = doc.content;
  return first?.type === 'paragraph' && first.content
    ? first.content
    : [
        {
          type: 'text',
          text:
            flatten(doc)
              .map((l) => l.text)
              .join(' ') || '?',
        },
      ];
}

/** A source as each style cites it. Records are given as data, so that nothing is ever fetched. */
export function citedIn(item: SourceItem): Record<CitationStyle, Cited> {
  prepare();
  const cite = new Cite([{ id: 'source', ...item }], { forceType: '@csl/list+object' });
  const of = (style: CitationStyle): Cited => ({
    inText: cite.format('citation', { template: style, format: 'text', lang: 'en-US' }),
    reference: entryOf(cite.format('bibliography', { template: style, format: 'html', lang: 'en-US' })),
  });
  return Object.fromEntries(STYLES.map((style) => [style, of(style)])) as Record<CitationStyle, Cited>;
}

/** The records of a BibTeX text; of an entry that cannot be read an empty one, so that it is counted. Null where it holds no entry. */
export function recordsOfBibtex(text: string): unknown[] | null {
  const entries = bibtexEntries(text);
  const records = entries.flatMap((entry): unknown[] => {
    try {
      return new Cite(entry, { forceType: '@biblatex/text' }).data;
    } catch (error) {
      if (error instanceof Error) return [{}];
      throw error;
    }
  });
  return records.length ? records : null;
}

/** Sources as BibTeX, as other programs of writers take them in. */
export const bibtexOf = (items: readonly SourceItem[]): string =>
  new Cite(
    items.map((item, i) => ({ id: `source-${i + 1}`, ...item })),
    { forceType: '@csl/list+object' },
  ).format('bibtex');
