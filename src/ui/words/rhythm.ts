import type { ClassRhythm, StretchId } from '@/core/rhythm/class-rhythm';
import { STRETCHES } from '@/core/rhythm/class-rhythm';
import type { FadeSign } from '@/core/rhythm/how-it-goes';
import { list, plural } from './plural';

/** Of a stretch of time before the response is due. */
export const STRETCH_NAMES: Record<StretchId, string> = {
  days: 'two days or more before the deadline',
  'day-before': 'one to two days before the deadline',
  'half-day': 'half a day to a day before the deadline',
  hours: 'three to twelve hours before the deadline',
  last: 'in the last three hours',
  late: 'after the deadline',
};
/** The same beneath a bar. */
export const STRETCH_MARKS: Record<StretchId, string> = {
  days: '2 d +',
  'day-before': '1–2 d',
  'half-day': '12–24 h',
  hours: '3–12 h',
  last: 'last 3 h',
  late: 'late',
};

/** The class's rhythm in words: when most come, and where replies go. */
export function rhythmText({ shares, replies }: ClassRhythm): string {
  const most = [...STRETCHES].sort((a, b) => shares[b.id] - shares[a.id])[0];
  const said = STRETCHES.flatMap(({ id }) => {
    const n = replies[id];
    return n === null ? [] : [{ id, n }];
  });
  const [best] = [...said].sort((a, b) => b.n - a.n);
  const [least] = [...said].sort((a, b) => a.n - b.n);
  return [
    ...(most ? [`Most responses come ${STRETCH_NAMES[most.id]}, about ${shares[most.id]} % of them.`] : []),
    ...(best && least && best.n > least.n
      ? [
          `Those shared ${STRETCH_NAMES[best.id]} get about ${plural(best.n, 'reply', 'replies')} each; those ${STRETCH_NAMES[least.id]}, ${least.n}.`,
        ]
      : best
        ? [`Each gets about ${plural(best.n, 'reply', 'replies')}.`]
        : []),
  ].join(' ');
}

const of = ([met, owed]: [number, number]) => `${met} of ${owed}`;

/** A sign that somebody fades, as a part of a sentence about them. */
export function fadeText(sign: FadeSign): string {
  switch (sign.code) {
    case 'less':
      return `met ${of(sign.now)} in the last two discussions after ${of(sign.before)} before`;
    case 'later':
      return `responses come later each time: ${sign.from} hours before the deadline, then ${sign.to < 0 ? `${-sign.to} after it` : sign.to}`;
    case 'unseen':
      return sign.days === null ? 'was never here' : `was not here for ${plural(sign.days, 'day')}`;
  }
}

export const fadeSentence = (signs: readonly FadeSign[]): string => list(signs.map(fadeText));
