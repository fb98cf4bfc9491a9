import { momentsOf } from '../times';
import { around, overlaps } from './around';
import { tokensOf } from './tokens';
import type { Context, Time } from './types';

/**
 * The moments of a sentence; `before` stand earlier in the text, which has `all`.
 * @example momentsIn(context, 0, 2) // of "Post by Friday." one
 */
export function momentsIn(c: Context, before: number, all: number): Time[] {
  const { sentence: s, ruled } = c;
  return momentsOf(s.text).map((m, i, here): Time => {
    const features = around(c, m);
    const day = m.date !== undefined ? 'date' : m.weekday !== undefined ? 'weekday' : 'time';
    const last = here[i - 1];
    features.push(
      `is:${day}`,
      `timed:${m.time !== undefined}`,
      `nth:${Math.min(3, before + i)}`,
      before + i === all - 1 ? 'last' : 'more',
      `here:${i}/${here.length}`,
      `nth/all:${Math.min(3, before + i)}/${Math.min(4, all)}`,
    );
    if (last) {
      const between = tokensOf(s.text.slice(last.end, m.start));
      features.push(
        'after-time',
        ...between.slice(-5).flatMap((t) => [`since:${t.stem}`, ...t.kinds.map((k) => `sincek:${k}`)]),
      );
    }
    if (ruled) {
      const said = ruled
        .filter((f) => f.fact.startsWith('due.') && overlaps(f, m))
        .map((f) => f.fact.split('.')[1] ?? '');
      const who = [...new Set(said)].sort().join('+') || 'none';
      features.push(`rule:${who}`, `rule+nth:${who}:${Math.min(3, before + i)}/${Math.min(4, all)}`);
    }
    return { kind: 'time', start: s.start + m.start, end: s.start + m.end, moment: m, features };
  });
}
