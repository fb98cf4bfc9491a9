import type { Finding, Found } from '../findings';
import type { Amount, Candidates } from '../candidates/types';
import { deadlinesOf } from './deadlines';
import type { Learned } from './learned';
import { chances, type Decision } from '../../learned/decision';

/** From here a sentence is taken to say what it likeliest says. */
const SAID = 0.3;
/** That posts are hidden is hardly ever meant and half said: "once you have posted, read the others" does not say it. */
const SEALED = 0.5;
/** From here a number is taken for what it likeliest counts. */
const AMOUNT = 0.35;
/** From here a sentence is taken to speak of late work. */
const LATE = 0.4;
/** And from here where the grammar heard it do so. */
const LATE_HEARD = 0.3;
const SURE = 0.9;
/** "You need not write 300 words" must be very unlike what it seems to be taken for a demand. */
const DENIED = 0.97;
/** Below this what a sentence says of late work is what the grammar heard in it, where that heard something. */
const CLEARLY = 0.6;
/** What only replies have. */
const NAMED = new Set(['replies.count', 'replies.distinctDays']);
const BOUNDED = new Set(['words', 'sentences', 'paragraphs']);
const yes = (d: Decision, features: readonly string[]) => chances(d, features)[1] ?? 0;

/** The likeliest class besides `but`, its chance, and the chance of `any` of them. */
function likeliest(d: Decision, features: readonly string[], but: string) {
  const all = chances(d, features).map((p, k) => (d.classes[k] === but ? 0 : p));
  const p = Math.max(...all);
  return { is: d.classes[all.indexOf(p)] ?? '', p, any: all.reduce((a, b) => a + b, 0) };
}

/** An amount with what it counts and of whom: `counts` is the chance of the former, `p` of both. */
type Placed = { amount: Amount; key: string; counts: number; p: number; max: boolean };

function placed(amounts: readonly Amount[], m: Learned): Placed[] {
  return amounts.flatMap((amount): Placed[] => {
    const { is, p } = likeliest(m.field, amount.features, 'none');
    const denied = amount.features.includes('ruled-out') && amount.max === undefined;
    if (p < (denied ? DENIED : AMOUNT)) return [];
    // What is said of a bare number alone is weighed; bounds in words hold.
    const max = amount.bare ? yes(m.bound, amount.features) > 0.6 : amount.min === undefined;
    if (is === 'count') return [{ amount, key: 'replies.count', counts: p, p, max }];
    if (is === 'days') return [{ amount, key: 'replies.distinctDays', counts: p, p, max }];
    const side = yes(m.side, amount.features);
    const key = `${side > 0.5 ? 'replies' : 'response'}.${is}`;
    return [{ amount, key, counts: p, p: hundredths(p * Math.max(side, 1 - side)), max }];
  });
}

/** Two that are as sure to a hundredth are as sure. */
const hundredths = (p: number) => Math.round(p * 100) / 100;
const at = (c: { start: number; end: number }) => ({ start: c.start, end: c.end });

function factsOf(key: string, all: readonly Placed[], m: Learned): Found {
  const sorted = [...all].sort((a, b) => b.p - a.p || a.amount.start - b.amount.start);
  const [best] = sorted;
  if (!best) return [];
  const field = key.split('.')[1] ?? '';
  const { amount, p } = best;
  const value = amount.min ?? amount.max ?? 0;
  const fact = (name: string, v: Finding['value'], of: Amount, sure = p): Finding => ({
    fact: name,
    value: v,
    ...at(of),
    confidence: sure,
  });
  if (key === 'replies.count') {
    // "One to a colleague, one to another": so many as there are ones.
    const ones = sorted.filter((x) => (x.amount.min ?? 0) === 1 && x.p > 0.6);
    const several = value === 1 && ones.length > 1 && ones.length === sorted.length;
    const count = several ? ones.length : value;
    const distinct = Math.max(...(several ? ones : [best]).map((x) => yes(m.distinct, x.amount.features)));
    return [
      fact(key, count, amount),
      ...(count > 1 && distinct > 0.5 ? [fact('replies.distinctPeers', true, amount, distinct)] : []),
    ];
  }
  if (field === 'distinctDays') return value > 1 ? [fact(key, value, amount)] : [];
  if (field === 'media') return [fact(key, value, amount)];
  if (!BOUNDED.has(field)) return [fact(`${key}.min`, value, amount)];
  // Another length that is as sure contradicts this one, and both are shown.
  const against = sorted
    .slice(1)
    .filter(
      (x) => x.p >= SURE && x.max === best.max && x.amount.max === undefined && amount.max === undefined,
    )
    .map((x) => fact(`${key}.${best.max ? 'max' : 'min'}`, x.amount.min ?? 0, x.amount, Math.min(x.p, p)));
  if (amount.min !== undefined && amount.max !== undefined)
    return [fact(`${key}.min`, amount.min, amount), fact(`${key}.max`, amount.max, amount)];
  const found = [fact(`${key}.${best.max ? 'max' : 'min'}`, value, amount)];
  const other = sorted.find((x) => x.max !== best.max && (x.amount.min ?? x.amount.max) !== value);
  const bound = other?.amount.min ?? other?.amount.max;
  if (other && bound !== undefined && (other.max ? bound > value : bound < value))
    found.push(fact(`${key}.${other.max ? 'max' : 'min'}`, bound, other.amount, other.p));
  return [...found, ...against];
}

/** Of candidates, the one that is likeliest what is asked for, where it is likely at all. */
function surest<C extends { features: string[]; start: number; end: number }>(
  d: Decision,
  all: readonly C[],
  least = SAID,
) {
  const scored = all.map((c) => ({ c, p: yes(d, c.features) })).sort((a, b) => b.p - a.p);
  const [best] = scored;
  return best && best.p >= least ? best : null;
}

/** Where no replies are asked for, whatever is asked for is asked of the response. */
function ofResponse(byKey: ReadonlyMap<string, Placed[]>): Map<string, Placed[]> {
  const found = new Map<string, Placed[]>();
  for (const [key, all] of byKey) {
    if (NAMED.has(key)) continue;
    const to = key.replace(/^replies\./u, 'response.');
    // Whose it is, is no question any more.
    found.set(to, [...(found.get(to) ?? []), ...all.map((x) => ({ ...x, p: hundredths(x.counts) }))]);
  }
  return found;
}

/** The grammar's parts hold where no list in the text speaks clearly against them. */
const DOUBTED = 0.1;
function partsHeard(c: Candidates, m: Learned, ruled: readonly Finding[]): Found {
  const k = m.field.classes.indexOf('parts');
  const lists = c.amounts.filter((a) => a.features.includes('list'));
  const holds = lists.length === 0 || lists.some((a) => (chances(m.field, a.features)[k] ?? 0) >= DOUBTED);
  return holds ? ruled.filter((f) => f.fact === 'response.parts') : [];
}

/** Where much else speaks of replies, less is needed to take a number for their count. */
const GUESSED = 0.1;
const SPOKEN = 0.7;

/** Whether something besides their count says that replies are asked for: a deadline of theirs, or what they must be. */
function speaksOfReplies(c: Candidates, m: Learned, byKey: ReadonlyMap<string, Placed[]>): boolean {
  const k = m.time.classes.indexOf('replies');
  return (
    [...byKey].some(([key, all]) => key.startsWith('replies.') && all.some((x) => x.p >= SPOKEN)) ||
    c.times.some((t) => (chances(m.time, t.features)[k] ?? 0) >= SPOKEN)
  );
}

function countGuessed(c: Candidates, m: Learned): Placed | null {
  const k = m.field.classes.indexOf('count');
  const scored = c.amounts
    .map((amount): Placed => {
      const p = chances(m.field, amount.features)[k] ?? 0;
      return { amount, key: 'replies.count', counts: p, p, max: false };
    })
    .sort((a, b) => b.p - a.p);
  const [best] = scored;
  return best && best.p >= GUESSED ? best : null;
}

/**
 * What the candidates of a text say is required. `ruled` is what the grammar read: what is no candidate is kept of it.
 * @example decided(candidatesOf(outline, addresses, []), learned, []) // of "Write 250 words." response.words.min is 250
 */
export function decided(c: Candidates, m: Learned, ruled: readonly Finding[]): Found {
  const byKey = new Map<string, Placed[]>();
  for (const x of placed(c.amounts, m)) byKey.set(x.key, [...(byKey.get(x.key) ?? []), x]);
  const found: Found = byKey.has('response.parts') ? [] : partsHeard(c, m, ruled);
  const spoken = speaksOfReplies(c, m, byKey);
  if (spoken && !byKey.has('replies.count')) {
    const guess = countGuessed(c, m);
    if (guess) byKey.set('replies.count', [guess]);
  }
  const asked = spoken || byKey.has('replies.count');
  for (const [key, all] of asked ? byKey : ofResponse(byKey)) {
    found.push(
      ...factsOf(key, all, m).map((f) =>
        f.fact === 'response.parts.min' ? { ...f, fact: 'response.parts' } : f,
      ),
    );
  }
  const flag = (fact: string, value: Finding['value'], best: ReturnType<typeof surest>) => {
    if (best) found.push({ fact, value, start: best.c.start, end: best.c.end, confidence: best.p });
  };
  flag('response.example', true, surest(m.example, c.said));
  flag('sealed', true, surest(m.sealed, c.said, SEALED));
  const title = surest(m.title, c.quoted);
  flag('response.title', title?.c.text ?? '', title);
  const count = found.find((f) => f.fact === 'replies.count');
  if (asked) flag('replies.greetByName', true, surest(m.greet, c.said));
  if (count) {
    flag('replies.unanswered', count.value, surest(m.unanswered, c.said));
  }
  const late = c.said
    .map((of) => ({ of, ...likeliest(m.late, of.features, 'none') }))
    .sort((a, b) => b.any - a.any)[0];
  const heard =
    late && ruled.find((f) => f.fact === 'late' && f.start < late.of.end && late.of.start < f.end);
  if (late && late.any >= (heard ? LATE_HEARD : LATE)) {
    const value = heard && late.p < CLEARLY ? heard.value : late.is;
    found.push({ fact: 'late', value, ...at(late.of), confidence: late.any });
  }
  const beyond = ruled.filter((f) => f.start >= c.until);
  return [...found, ...deadlinesOf(c.times, m, asked), ...beyond];
}
