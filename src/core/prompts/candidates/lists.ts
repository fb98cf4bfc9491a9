import { momentsOf } from '../times';
import { around } from './around';
import { tokensOf } from './tokens';
import type { Amount, Context } from './types';

/** "(a) … (b) …", "1. … 2. …" within a paragraph, or a list's items: so many of something that may be parts. */
const INLINE = /(?<=^|[\s:;,.?])\(?(?<mark>[a-h]|[1-9]|i{1,3}|iv|v)[).]\s+(?=[\p{L}“"])/giu;
const ROMAN = ['i', 'ii', 'iii', 'iv', 'v'];
const nth = (mark: string) =>
  /\d/u.test(mark) ? Number(mark) : mark.length > 1 ? ROMAN.indexOf(mark) + 1 : mark.charCodeAt(0) - 96;

type Item = { start: number; end: number; text: string };
function listed(c: Context, items: readonly Item[], how: string): Amount[] {
  const [first] = items;
  const last = items[items.length - 1];
  if (!first || !last || items.length < 2) return [];
  const share = (is: (text: string) => boolean) =>
    Math.round((4 * items.filter((i) => is(i.text)).length) / items.length);
  const opens = (text: string) => tokensOf(text).find((t) => /\p{L}/u.test(t.stem));
  const features = around(c, { start: 0, end: 0 }).filter((f) => !f.startsWith('a'));
  features.push(
    'list',
    `list:${how}`,
    `list-asks:${share((t) => /\?\s*$/u.test(t.trim()))}`,
    `list-demands:${share((t) => opens(t)?.kinds.includes('demand') ?? false)}`,
    `list-numbers:${share((t) => /\d/u.test(t))}`,
    `list-answers:${share((t) => tokensOf(t).some((x) => x.kinds.includes('answer') || x.kinds.includes('person')))}`,
    `list-times:${share((t) => momentsOf(t).length > 0)}`,
    `list-length:${Math.min(8, items.length)}`,
    ...items.flatMap((i) => {
      const o = opens(i.text);
      return o ? [`item:${o.stem}`] : [];
    }),
  );
  const before = c.all[c.sentence.index - 1];
  if (how === 'items' && before)
    for (const t of tokensOf(before.text).slice(-12))
      features.push(`intro:${t.stem}`, ...t.kinds.map((k) => `introk:${k}`));
  if (c.ruled !== null)
    features.push(`list-ruled:${c.parts === items.length ? 'same' : c.parts ? 'other' : 'no'}`);
  return [{ kind: 'amount', start: first.start, end: last.end, min: items.length, bare: true, features }];
}

/**
 * An enumeration within a paragraph.
 * @example inlineIn(context) // of "(a) name it; (b) say why" one, of two
 */
export function inlineIn(c: Context): Amount[] {
  const { sentence: s, all } = c;
  if (all[s.index - 1]?.line === s.line) return [];
  let last = s.index;
  while (all[last + 1]?.line === s.line) last += 1;
  const end = all[last]?.end ?? s.end;
  const text = c.whole.slice(s.start, end);
  const marks: { n: number; at: number; after: number }[] = [];
  for (const m of text.matchAll(INLINE)) {
    const n = nth((m.groups?.mark ?? '').toLowerCase());
    if (n === marks.length + 1) marks.push({ n, at: m.index, after: m.index + m[0].length });
  }
  return listed(
    c,
    marks.map((m, i) => {
      // The last one ends with its sentence: behind it the paragraph goes on with other things.
      const ends = all.find((x) => x.index >= s.index && x.end > s.start + m.after)?.end ?? end;
      const to = marks[i + 1]?.at ?? ends - s.start;
      return { start: s.start + m.at, end: s.start + to, text: text.slice(m.after, to) };
    }),
    'inline',
  );
}

/**
 * The list that begins with a sentence.
 * @example itemsFrom(context) // of the first of three numbered lines one, of three
 */
export function itemsFrom(c: Context): Amount[] {
  const { sentence: s, all } = c;
  if (s.marker === null) return [];
  const before = all[s.index - 1];
  if (before?.marker?.kind === s.marker.kind && (before.line === s.line || before.line === s.line - 1))
    return [];
  const items: { start: number; end: number; text: string; line: number }[] = [];
  for (let i = s.index; i < all.length; i += 1) {
    const x = all[i];
    if (!x) break;
    if (x.marker?.kind !== s.marker.kind) break;
    const last = items[items.length - 1];
    if (last?.line === x.line) {
      last.end = x.end;
      last.text += ` ${x.text}`;
    } else items.push({ start: x.start, end: x.end, text: x.text, line: x.line });
  }
  return listed(c, items, 'items');
}
