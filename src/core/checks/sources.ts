import type { Line, notesIn } from '../document/flatten';
import type { Passage } from './passages';
import type { Evidence } from './types';

type Citation = Evidence & { key: string; paged?: boolean };

const NAME = String.raw`\p{Lu}[\p{L}'’-]+`;
const NAMES = String.raw`${NAME}(?:\s+(?:and|&|et al\.?,?)(?:\s+${NAME})?|,\s+${NAME})*`;
const YEAR = String.raw`(?:(?:1[5-9]|20)\d\d[a-z]?|n\.d\.)`;

/** (Ostrom, 2019), (Ostrom & Lind 2019; Holt 2020, p. 4) */
const PARENTHETICAL = new RegExp(String.raw`\(([^()]*\b${YEAR}[^()]*)\)`, 'gu');
const INSIDE = new RegExp(String.raw`(${NAME})[^;]*?[,\s]\s*(${YEAR})`, 'u');
/** Ostrom (2019) */
const NARRATIVE = new RegExp(String.raw`(${NAMES})(?:['’]s)?\s+\((${YEAR})(?:,[^()]*)?\)`, 'gu');
/** (Ostrom 114), (Ostrom, p. 12) */
const PAGED = new RegExp(String.raw`\((${NAMES}),?\s+(?:pp?\.\s*)?\d{1,4}(?:[–-]\d{1,4})?\)`, 'gu');
/** (Chapter 6), (ch. 6, p. 112), (Reader, p. 40): a course reading named by its chapter */
const CHAPTER = /\((?:see\s+)?(?:chapter|chap\.|ch\.)\s*(\d{1,3})[^()]*\)/giu;
/** [3] */
const NUMBERED = /\[(\d{1,3})(?:,\s*(?:p\.\s*)?\d+)?\]/gu;
const DOI = /\b(?:doi:\s*|https?:\/\/(?:dx\.)?doi\.org\/)?(10\.\d{4,9}\/[^\s"<>]+[^\s"<>.,;)])/giu;
const URL_TEXT = /\bhttps?:\/\/[^\s"<>]+[^\s"<>.,;)]/giu;

/** A web address with a whole name of a host: "http://x" leads nowhere. */
const LEADS_SOMEWHERE = /^https?:\/\/(?:[\p{L}\p{N}-]+\.)+[\p{L}\p{N}-]{2,}(?:[:/?#]|$)/iu;

/** Capitalised words that open a bracket with a year in it without naming anybody: "(In 2019 …)", "(Since May 2020)". */
const NOT_NAMES =
  /^(?:in|since|by|after|before|from|until|around|about|during|the|a|an|and|but|or|see|spring|summer|autumn|winter|january|february|march|april|may|june|july|august|september|october|november|december|week|figure|table|part)$/iu;

const surname = (names: string) =>
  new RegExp(NAME, 'u')
    .exec(names)?.[0]
    ?.toLowerCase()
    .replace(/['’]s$/u, '') ?? names;
const bareUrl = (url: string) =>
  url
    .toLowerCase()
    .replace(/^https?:\/\/(www\.)?/u, '')
    .replace(/[/#?]*$/u, '');
const doiOf = (url: string) => /10\.\d{4,9}\/\S+/u.exec(url)?.[0]?.toLowerCase();

/**
 * The sources a line names: in brackets, in its sentence, by number, by address.
 * @example 'Setting back works (Holt, 2019).' names one source, 'holt 2019'
 */
export function citationsIn({ text, pos, links }: Pick<Line, 'text' | 'pos' | 'links'>): Citation[] {
  const at = (index: number, length: number, key: string): Citation => ({
    from: pos + index,
    to: pos + index + length,
    key,
    paged: /\b(?:pp?\.|ch\.|chap\.|chapter|section|§|fig\.|table)\s*\d|\d{4}[a-z]?,\s*\d/iu.test(
      text.slice(index, index + length),
    ),
  });
  const found: Citation[] = [];
  for (const m of text.matchAll(PARENTHETICAL)) {
    for (const piece of (m[1] ?? '').split(';')) {
      const inside = INSIDE.exec(piece);
      if (inside && !NOT_NAMES.test(inside[1] ?? '')) {
        found.push(at(m.index, m[0].length, `${surname(inside[1] ?? '')} ${inside[2]}`));
      }
    }
  }
  for (const m of text.matchAll(NARRATIVE)) {
    if (!NOT_NAMES.test(m[1] ?? '')) found.push(at(m.index, m[0].length, `${surname(m[1] ?? '')} ${m[2]}`));
  }
  for (const m of text.matchAll(PAGED)) {
    if (!new RegExp(YEAR, 'u').test(m[0]) && !NOT_NAMES.test(m[1] ?? ''))
      found.push(at(m.index, m[0].length, surname(m[1] ?? '')));
  }
  for (const m of text.matchAll(CHAPTER)) found.push(at(m.index, m[0].length, `chapter ${m[1]}`));
  for (const m of text.matchAll(NUMBERED)) found.push(at(m.index, m[0].length, `[${m[1]}]`));
  for (const m of text.matchAll(DOI)) found.push(at(m.index, m[0].length, (m[1] ?? '').toLowerCase()));
  for (const m of text.matchAll(URL_TEXT)) {
    if (!doiOf(m[0]) && LEADS_SOMEWHERE.test(m[0])) found.push(at(m.index, m[0].length, bareUrl(m[0])));
  }
  for (const link of links) {
    if (LEADS_SOMEWHERE.test(link.href)) {
      found.push(at(link.start, link.end - link.start, doiOf(link.href) ?? bareUrl(link.href)));
    }
  }
  return found;
}

export type Sources = {
  cited: Evidence[];
  distinct: number;
  listed: number;
  /** Of the distinct ones those that say more than a name and a year: an entry, a page, a chapter, an address, a DOI. */
  sure: number;
  /** Citations that no entry of the reference list answers to, where there is a list. */
  unlisted: string[];
  /** Entries of the list that no citation answers to, by their first words. */
  uncited: string[];
};

const LIST_HEADING = /^[^\p{L}]*\p{L}[\p{L} ]{0,30}:?$/u;

/** Whether an entry of a reference list is what a citation means. */
function answersTo(entry: string, key: string): boolean {
  const text = entry.toLowerCase();
  const numbered = /^\[(\d+)\]$/u.exec(key)?.[1];
  if (numbered) return new RegExp(String.raw`^\s*(?:\[${numbered}\]|${numbered}[.)])`, 'u').test(entry);
  if (key.startsWith('10.') || key.includes('/')) return text.includes(key);
  const [name = '', year] = key.split(' ');
  return text.includes(name) && (year === undefined || text.includes(year));
}

/** Whether a source says more of itself than a name and a year. */
const isSure = (key: string, entries: readonly string[]) =>
  key.startsWith('chapter ') ||
  key.includes('/') ||
  key.startsWith('10.') ||
  entries.some((e) => answersTo(e, key));

const ENTRY_WORDS = 6;
const opening = (entry: string) => {
  const all = entry.trim().split(/\s+/u);
  return all.length > ENTRY_WORDS ? `${all.slice(0, ENTRY_WORDS).join(' ')} …` : all.join(' ');
};

/**
 * The sources a text cites: author and year, author and page, a numbered bracket, a chapter of the course reader, a
 * DOI or a link, each counted once however often it is named. An entry that stands only in the reference list is
 * listed, not cited. A chapter of the course's own reader needs no entry. A note cites where its mark stands, and what it
 * cites needs no entry: the note is one.
 *
 * @example the text "Setting back works (Holt, 2019) and Lind (2020) agrees (Holt, 2019, p. 3)" cites two.
 */
export function sources(all: Passage[], notes: ReturnType<typeof notesIn> = []): Sources {
  const inText = all
    .filter((p) => p.role === 'own' || p.role === 'quote')
    .flatMap((p) => citationsIn(p.line));
  const inNotes = notes.flatMap(({ node, pos }) =>
    citationsIn({ text: node.attrs.text, pos, links: [] }).map((c) => ({ ...c, from: pos, to: pos + 1 })),
  );
  const cited = [...inText, ...inNotes];
  const entries = all
    .filter((p) => p.role === 'reference')
    .map((p) => p.line.text)
    .filter((text, i) => text.trim() !== '' && !(i === 0 && LIST_HEADING.test(text.trim())));
  const keys = [...new Set(cited.map((c) => c.key))];
  const paged = new Set(cited.filter((c) => c.paged).map((c) => c.key));
  const needsEntry = [...new Set(inText.map((c) => c.key))].filter((key) => !key.startsWith('chapter '));
  return {
    cited: cited.map(({ from, to, key }) => ({ from, to, note: key })),
    distinct: keys.length,
    listed: entries.length,
    sure: keys.filter((key) => paged.has(key) || isSure(key, entries)).length,
    unlisted: entries.length ? needsEntry.filter((key) => !entries.some((e) => answersTo(e, key))) : [],
    uncited: entries.filter((e) => !keys.some((key) => answersTo(e, key))).map(opening),
  };
}
