import type { Marker } from './types';

const MARKER =
  /^[\s>]*(?:(?<box>\[[ xX✓]?\]|☐|☑|□)|(?<bullet>[-*•–‣▪◦·○●])(?=\s)|(?<step>step ?(?<sn>\d{1,2})\s?[.:)–-]+)|(?<part>(?:part|question|q|task|prompt) ?(?<pn>[A-Ha-h]|\d{1,2}|I{1,3}V?)(?:\s?[.:)–-]+|(?=\s*$)))|(?<number>\(?\d{1,2}[.)])(?=\s)|(?<letter>\(?(?:[a-h]|i{1,3}|iv|v)[.)])(?=\s))\s*/iu;

const ROMAN = ['i', 'ii', 'iii', 'iv', 'v'];
const letterOf = (text: string) => {
  const letter = text.toLowerCase();
  return ROMAN.includes(letter) ? ROMAN.indexOf(letter) + 1 : letter.charCodeAt(0) - 96;
};

/**
 * The marker of a list item at the beginning of a line, and how long it is.
 * @example markerOf('2. Which plan?') // { marker: { kind: 'number', n: 2 }, length: 3 }
 */
export function markerOf(line: string): { marker: Marker; length: number } | null {
  const g = MARKER.exec(line);
  if (!g?.groups) return null;
  const { box, bullet, step, sn, part, pn, number, letter } = g.groups;
  const length = g[0].length;
  if (box !== undefined) return { marker: { kind: 'box', n: 0 }, length };
  if (bullet !== undefined) return { marker: { kind: 'bullet', n: 0 }, length };
  if (step !== undefined) return { marker: { kind: 'number', n: Number(sn) }, length };
  if (part !== undefined) {
    return { marker: { kind: 'part', n: /\d/u.test(pn ?? '') ? Number(pn) : letterOf(pn ?? 'a') }, length };
  }
  if (number !== undefined)
    return { marker: { kind: 'number', n: Number(number.replace(/\D/gu, '')) }, length };
  return { marker: { kind: 'letter', n: letterOf((letter ?? 'a').replace(/[().]/gu, '')) }, length };
}
