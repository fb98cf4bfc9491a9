import type { Left } from '@/core/formats/left-behind';
import { list, plural } from './plural';

const SHOWN = 4;

const named = ({ named: all, n }: Left) =>
  `${list(all.slice(0, SHOWN).map((name) => `“${name.length > 60 ? `${name.slice(0, 58)}…` : name}”`))}${n > SHOWN ? ` and ${n - SHOWN} more` : ''}`;

/** One thing that a file does not hold as what it is, and what stands there. @example notHeldText({ kind: 'clip', n: 1, named: ['Gauge'] }) */
export function notHeldText(left: Left): string {
  const { kind, n } = left;
  const one = n === 1;
  switch (kind) {
    case 'picture':
      return `${plural(n, 'picture')}: the file leads to ${one ? 'it' : 'them'} here, for who is signed in.`;
    case 'clip':
      return `${plural(n, 'clip')}: only what ${one ? 'it is' : 'they are'} called, ${named(left)}.`;
    case 'file':
      return `${plural(n, 'attached file')}: only what ${one ? 'it is' : 'they are'} called, ${named(left)}.`;
    case 'player':
      return `${plural(n, 'player')} ${one ? 'becomes a link' : 'become links'}: ${named(left)}.`;
    case 'formula':
      return `${plural(n, 'formula')} ${one ? 'stands' : 'stand'} there in LaTeX.`;
    case 'naming':
      return `Who is named, and posts that are pointed to, are plain words: ${named(left)}.`;
    case 'colour':
      return 'Words in colour are in the usual one.';
    default:
      return leftText(left);
  }
}

/** One thing that does not go along, and what to do there. @example leftText({ kind: 'picture', n: 1, named: ['A levee'] }) */
export function leftText(left: Left): string {
  const { kind, n } = left;
  switch (kind) {
    case 'picture':
      return `${plural(n, 'picture')}: add ${n === 1 ? 'it' : 'them'} there yourself, ${named(left)}.`;
    case 'clip':
      return `${plural(n, 'clip')}: save and upload ${n === 1 ? 'it' : 'them'} there, ${named(left)}.`;
    case 'file':
      return `${plural(n, 'file')}: attach ${n === 1 ? 'it' : 'them'} there, ${named(left)}.`;
    case 'player':
      return `${plural(n, 'player')} ${n === 1 ? 'becomes a link' : 'become links'}: ${named(left)}.`;
    case 'formula':
      return `${plural(n, 'formula')} ${n === 1 ? 'goes as its' : 'go as their'} LaTeX: look whether the other place sets ${n === 1 ? 'it' : 'them'}.`;
    case 'note':
      return `${plural(n, 'footnote')} ${n === 1 ? 'stands' : 'stand'} at the end of the text.`;
    case 'naming':
      return `Who is named, and posts that are pointed to, are plain words there: ${named(left)}.`;
    case 'colour':
      return 'Colours may be gone.';
    case 'question':
      return `${plural(n, 'question')} of the prompt ${n === 1 ? 'goes' : 'go'} along as bold lines.`;
  }
}
