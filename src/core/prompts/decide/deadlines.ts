import { chances } from '../../learned/decision';
import type { Found } from '../findings';
import type { Time } from '../candidates/types';
import type { Learned } from './learned';

/** From here a time of day is taken for that of a deadline. */
const LIKELY = 0.4;
const at = (c: { start: number; end: number }) => ({ start: c.start, end: c.end });

/** So many moments are looked at together; a text with more has no more deadlines. */
const MOST = 12;

/** A moment with how likely it is each deadline, and either. */
type Dated = { time: Time; response: number; replies: number; any: number };

/**
 * The deadlines among the moments of a text.
 * @example deadlinesOf(candidates.times, learned, true) // of "Post by Thursday, reply by Sunday." two
 */
export function deadlinesOf(times: readonly Time[], m: Learned, repliesAsked: boolean): Found {
  const { classes } = m.time;
  const dated = times.map((time): Dated => {
    const all = chances(m.time, time.features);
    const of = (name: string) => all[classes.indexOf(name)] ?? 0;
    return {
      time,
      response: of('response') + of('both'),
      replies: of('replies') + of('both'),
      any: 1 - of('none'),
    };
  });
  const hasDay = ({ time: { moment } }: Dated) => moment.weekday !== undefined || moment.date !== undefined;
  const days = dated
    .filter(hasDay)
    .sort((a, b) => Math.max(b.response, b.replies) - Math.max(a.response, a.replies))
    .slice(0, MOST)
    .sort((a, b) => a.time.start - b.time.start);
  const chosen = pairOf(days, m, repliesAsked);
  return (['response', 'replies'] as const).flatMap((who): Found => {
    const best = chosen[who];
    if (!best || (who === 'replies' && !repliesAsked)) return [];
    const { moment } = best.time;
    const clock =
      moment.time !== undefined
        ? best
        : dated.filter((d) => !hasDay(d) && d[who] >= LIKELY).sort((a, b) => b[who] - a[who])[0];
    // Where one moment is both, it need only be one of the two.
    const sureness = (of: Dated, as: 'response' | 'replies') =>
      chosen.response === chosen.replies ? of.any : of[as];
    const fact = (key: string, value: string | undefined, of: Dated): Found =>
      value === undefined
        ? []
        : [{ fact: `due.${who}.${key}`, value, ...at(of.time), confidence: sureness(of, who) }];
    return [
      ...fact('weekday', moment.weekday, best),
      ...fact('date', moment.date, best),
      ...(clock ? fact('time', clock.time.moment.time, clock) : []),
    ];
  });
}

/** A deadline that no moment is sure of is dropped rather than guessed. */
const NO_DEADLINE = 0.25;

/** The two moments that are likeliest the two deadlines, looked at together: one is not the other, unless it is both. */
function pairOf(
  days: readonly Dated[],
  m: Learned,
  repliesAsked: boolean,
): { response: Dated | null; replies: Dated | null } {
  const k = (name: string) => m.time.classes.indexOf(name);
  const chance = new Map(days.map((d) => [d, chances(m.time, d.time.features)] as const));
  const p = (d: Dated, name: string) => Math.max(0.001, chance.get(d)?.[k(name)] ?? 0);
  let best: { response: Dated | null; replies: Dated | null; score: number } = {
    response: null,
    replies: null,
    score: -Infinity,
  };
  for (const response of [null, ...days])
    for (const replies of repliesAsked ? [null, ...days] : [null]) {
      let score = 0;
      for (const d of days) {
        const is =
          d === response && d === replies
            ? 'both'
            : d === response
              ? 'response'
              : d === replies
                ? 'replies'
                : 'none';
        // A single deadline is both's where replies are asked for, whatever it is called.
        score += Math.log(
          is === 'both' ? p(d, 'both') + 0.5 * (p(d, 'replies') + p(d, 'response')) : p(d, is),
        );
      }
      if (!response) score += Math.log(NO_DEADLINE);
      if (!replies && repliesAsked) score += Math.log(NO_DEADLINE);
      if (response && replies && response !== replies && response.time.start > replies.time.start)
        score += Math.log(0.5);
      if (score > best.score) best = { response, replies, score };
    }
  return best;
}
