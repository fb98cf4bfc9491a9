import { isAsked, isElsewhere, isRuledOut } from '../modality';
import { clauseAt } from '../outline';
import type { Span } from '../outline/types';
import { tokensOf } from './tokens';
import type { Context } from './types';

/**
 * Whether two stretches have a place in common.
 * @example overlaps({ start: 0, end: 3 }, { start: 3, end: 5 }) // false
 */
export const overlaps = (a: Span, b: Span) => a.start < b.end && b.start < a.end;

/**
 * What stands around a place of a sentence, as the decisions see it.
 * @example around(context, { start: 0, end: 3 }) // 'a1:repli', 'head:-:-', …
 */
export function around({ sentence: s, tokens, addresses, total, ruled }: Context, at: Span): string[] {
  const clause = clauseAt(s.text, at.start);
  const before = tokens.filter((t) => t.end <= at.start);
  const after = tokens.filter((t) => t.start >= at.end);
  const found: string[] = ['any'];
  before.slice(-6).forEach((t, i, all) => {
    const d = all.length - i;
    found.push(`b:${t.stem}`);
    if (d <= 3) found.push(`b${d}:${t.stem}`);
    for (const k of t.kinds) found.push(`bk:${k}`, ...(d <= 2 ? [`bk${d}:${k}`] : []));
  });
  const [b2, b1] = before.slice(-2);
  if (b1 && b2) found.push(`b21:${b2.stem} ${b1.stem}`);
  after.slice(0, 7).forEach((t, i) => {
    found.push(`a:${t.stem}`);
    if (i < 3) found.push(`a${i + 1}:${t.stem}`);
    for (const k of t.kinds) found.push(`ak:${k}`, ...(i < 4 ? [`ak${i + 1}:${k}`] : []));
  });
  const [a1, a2] = after;
  if (a1 && a2) found.push(`a12:${a1.stem} ${a2.stem}`);
  const inClause = tokens.filter((t) => t.start >= clause.start && t.end <= clause.end);
  for (const t of inClause) for (const k of t.kinds) found.push(`ck:${k}`);
  const first = tokens.find((t) => /\p{L}/u.test(t.stem));
  if (first) found.push(`first:${first.stem}`);
  const verb = [...before].reverse().find((t) => t.kinds.includes('demand') || t.kinds.includes('answer'));
  if (verb) found.push(`verb:${verb.stem}`);
  const address = addresses(s, Math.max(0, at.start));
  found.push(
    `to:${address.who}:${address.sure}`,
    `head:${s.section.who ?? '-'}:${s.section.topic ?? '-'}`,
    `mark:${s.marker?.kind ?? '-'}`,
    `place:${Math.floor((4 * s.index) / Math.max(1, total))}`,
  );
  if (s.row !== null)
    for (const t of tokensOf(s.row)) found.push('row', `row:${t.stem}`, ...t.kinds.map((k) => `rowk:${k}`));
  if (s.question !== null) for (const t of tokensOf(s.question)) found.push(`sheet:${t.stem}`);
  if (s.heading) found.push('heading');
  if (/\?\s*$/u.test(s.text)) found.push('asks');
  if (s.text[clause.start - 1] === '(') found.push('brackets');
  if (!isAsked(s, at.start)) found.push('not-asked');
  if (isRuledOut(s, at.start)) found.push('ruled-out');
  if (isElsewhere(s, at.start)) found.push('elsewhere');
  if (ruled === null) found.push('unruled');
  return found;
}
