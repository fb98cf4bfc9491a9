import { isAsked } from '../modality';
import { tokensOf } from './tokens';
import type { Context, Said } from './types';

const FLAGS = [
  'response.example',
  'replies.greetByName',
  'sealed',
  'late',
  'replies.unanswered',
  'replies.distinctPeers',
];

/**
 * A sentence as a whole: it may say what is done with late work, or that posts are hidden.
 * @example saidIn(context).features.includes('w:late') // of "Late is late."
 */
export function saidIn(c: Context): Said {
  const { sentence: s, tokens, ruled } = c;
  const features = [
    'any',
    `head:${s.section.who ?? '-'}:${s.section.topic ?? '-'}`,
    `mark:${s.marker?.kind ?? '-'}`,
  ];
  tokens.forEach((t, i) => {
    features.push(`w:${t.stem}`, ...t.kinds.map((k) => `k:${k}`));
    const next = tokens[i + 1];
    const third = tokens[i + 2];
    if (next) features.push(`ww:${t.stem} ${next.stem}`);
    if (third) features.push(`w_w:${t.stem} ${third.stem}`);
  });
  if (s.question !== null) for (const t of tokensOf(s.question)) features.push(`sheet:${t.stem}`);
  if (s.row !== null) for (const t of tokensOf(s.row)) features.push(`row:${t.stem}`);
  if (/\?\s*$/u.test(s.text)) features.push('asks');
  if (s.heading) features.push('heading');
  if (!isAsked(s, 0)) features.push('not-asked');
  if (ruled === null) features.push('unruled');
  else
    for (const flag of FLAGS) {
      const said = ruled.find((f) => f.fact === flag);
      features.push(`rule:${flag}:${said ? (flag === 'late' ? String(said.value) : 'yes') : 'no'}`);
    }
  return { kind: 'said', start: s.start, end: s.end, features: [...new Set(features)] };
}
