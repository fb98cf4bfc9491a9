import type { SourceItem } from './item';

/** Kinds of sources as RIS (the tagged format of reference managers) and as CSL-JSON name them. */
const TYPES: readonly (readonly [ris: string, csl: string])[] = [
  ['JOUR', 'article-journal'],
  ['MGZN', 'article-magazine'],
  ['NEWS', 'article-newspaper'],
  ['BOOK', 'book'],
  ['CHAP', 'chapter'],
  ['CONF', 'paper-conference'],
  ['CPAPER', 'paper-conference'],
  ['RPRT', 'report'],
  ['THES', 'thesis'],
  ['ELEC', 'webpage'],
  ['WEB', 'webpage'],
  ['GEN', 'document'],
];

const LINE = /^([A-Z][A-Z0-9]) {1,2}- ?(.*)$/u;
const MOST = 500;

type Name = { family?: string; given?: string; suffix?: string; literal?: string };

/** "Holt, Maren, Jr." as RIS writes names: family, given, suffix. */
function nameOf(said: string): Name {
  const [family = '', given = '', suffix = ''] = said.split(',').map((s) => s.trim());
  if (!given) return { literal: family };
  return { family, given, ...(suffix ? { suffix } : {}) };
}

const dateOf = (said: string) => {
  const parts = said
    .split(/[/-]/u)
    .slice(0, 3)
    .map(Number)
    .filter((n) => Number.isInteger(n) && n > 0);
  return parts.length ? { 'date-parts': [parts] } : undefined;
};

/**
 * The records of a RIS text, as CSL-JSON. A line that is none of its tags goes on with the one before; what a source here has no
 * place for is left out.
 * @example recordsOfRis('TY  - BOOK\nTI  - Rivers\nER  - ') // [{ type: 'book', title: 'Rivers' }]
 */
export function recordsOfRis(text: string): Record<string, unknown>[] {
  const records: Record<string, unknown>[] = [];
  let tags = new Map<string, string[]>();
  let last: string[] | null = null;
  const end = () => {
    if (tags.size && records.length < MOST) records.push(recordOf(tags));
    tags = new Map();
    last = null;
  };
  for (const raw of text.replace(/^\uFEFF/u, '').split(/\r\n?|\n/u)) {
    const m = LINE.exec(raw.trimEnd());
    if (!m) {
      if (last && raw.trim()) last[last.length - 1] += ` ${raw.trim()}`;
      continue;
    }
    const [, tag = '', value = ''] = m;
    if (tag === 'TY') end();
    if (tag === 'ER') {
      end();
      continue;
    }
    last = tags.get(tag) ?? [];
    last.push(value.trim());
    tags.set(tag, last);
  }
  end();
  return records;
}

function recordOf(tags: ReadonlyMap<string, readonly string[]>): Record<string, unknown> {
  const first = (...names: string[]) => names.flatMap((n) => tags.get(n) ?? []).find((v) => v !== '');
  const all = (...names: string[]) => names.flatMap((n) => tags.get(n) ?? []).filter((v) => v !== '');
  const [from, to] = [first('SP'), first('EP')];
  const authors = all('AU', 'A1').map(nameOf);
  const editors = all('ED', 'A2').map(nameOf);
  const doi = first('DO')?.replace(/^(?:doi:\s*|https?:\/\/(?:dx\.)?doi\.org\/)/iu, '');
  const record: Record<string, unknown> = {
    type: TYPES.find(([ris]) => ris === first('TY'))?.[1] ?? 'document',
    title: first('TI', 'T1', 'CT', 'BT'),
    author: authors.length ? authors : undefined,
    editor: editors.length ? editors : undefined,
    issued: dateOf(first('DA', 'PY', 'Y1') ?? ''),
    accessed: dateOf(first('Y2') ?? ''),
    'container-title': first('JO', 'JF', 'T2', 'JA'),
    publisher: first('PB'),
    'publisher-place': first('CY', 'PP'),
    volume: first('VL'),
    issue: first('IS'),
    page: from && to && from !== to ? `${from}-${to}` : (from ?? to),
    edition: first('ET'),
    DOI: doi,
    URL: first('UR', 'L1', 'L2'),
  };
  return Object.fromEntries(Object.entries(record).filter(([, value]) => value !== undefined));
}

const named = ({ family, given, suffix, literal, ...rest }: NonNullable<SourceItem['author']>[number]) => {
  const particle = rest['non-dropping-particle'] ?? rest['dropping-particle'];
  const whole = [particle, family].filter(Boolean).join(' ');
  return literal ?? [whole, given, suffix].filter(Boolean).join(', ');
};

/**
 * Sources as a RIS file.
 * @example risOf([{ type: 'book', title: 'Rivers' }]) // 'TY  - BOOK\r\nTI  - Rivers\r\nER  - \r\n'
 */
export function risOf(items: readonly SourceItem[]): string {
  const oneLine = (value: string) => value.replace(/\s+/gu, ' ').trim();
  return items
    .map((item) => {
      const date = (d: SourceItem['issued']) => {
        const [y, m, day] = d?.['date-parts'][0] ?? [];
        const two = (n: number) => String(n).padStart(2, '0');
        return y === undefined
          ? undefined
          : [String(y), m && two(m), day && two(day)].filter(Boolean).join('/');
      };
      const [from, to] = (item.page ?? '').split(/[-–]/u);
      const tags: [string, string | undefined][] = [
        ['TY', TYPES.find(([, csl]) => csl === item.type)?.[0] ?? 'GEN'],
        ['TI', item.title],
        ...(item.author ?? []).map((n): [string, string] => ['AU', named(n)]),
        ...(item.editor ?? []).map((n): [string, string] => ['ED', named(n)]),
        ['PY', date(item.issued)?.slice(0, 4)],
        ['DA', date(item.issued)],
        ['Y2', date(item.accessed)],
        [item.type.startsWith('article') ? 'JO' : 'T2', item['container-title']],
        ['PB', item.publisher],
        ['CY', item['publisher-place']],
        ['VL', item.volume],
        ['IS', item.issue],
        ['SP', from],
        ['EP', to],
        ['ET', item.edition],
        ['DO', item.DOI],
        ['UR', item.URL],
      ];
      const lines = tags.flatMap(([tag, value]) => (value ? [`${tag}  - ${oneLine(value)}`] : []));
      return `${[...lines, 'ER  - '].join('\r\n')}\r\n`;
    })
    .join('\r\n');
}
