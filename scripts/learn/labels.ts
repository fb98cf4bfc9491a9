import { chances, type Decision } from '@/core/learned/decision';
import type { Amount, Said, Time } from '@/core/prompts/candidates/types';
import type { Learned } from '@/core/prompts/decide/learned';
import type { Example } from './logistic';
import type { Bounds, Day, Gold, Prompt } from './material';

/*
 * Labels say what a prompt requires, and not which of its words say so. Of the candidates that fit a label, the likeliest is
 * taken: at first by what the grammar read and by the unit, then by what was learned so far.
 */

export const CLASSES = {
  field: [
    ...['none', 'count', 'days', 'words', 'paragraphs', 'sentences', 'sources', 'quotes', 'concepts'],
    ...['question', 'parts', 'media.image', 'media.video', 'media.audio', 'media.link', 'media.file'],
  ],
  side: ['response', 'replies'],
  bound: ['min', 'max'],
  distinct: ['no', 'yes'],
  time: ['none', 'response', 'replies', 'both'],
  title: ['no', 'yes'],
  example: ['no', 'yes'],
  greet: ['no', 'yes'],
  sealed: ['no', 'yes'],
  late: ['none', 'refused', 'penalty', 'accepted'],
  unanswered: ['no', 'yes'],
} satisfies Record<keyof Learned, string[]>;
export const QUESTIONS = Object.keys(CLASSES) as (keyof Learned)[];
export type Examples = Record<keyof Learned, Example[]>;

type Wanted = { side: 'response' | 'replies'; field: string; bounds: Bounds };

function wantedOf({ response = {}, replies = {} }: Gold): Wanted[] {
  const sides = [
    ['response', response],
    ['replies', replies],
  ] as const;
  const counted = sides.flatMap(([side, of]) =>
    (['words', 'paragraphs', 'sentences', 'sources', 'quotes', 'concepts', 'question'] as const).flatMap(
      (field): Wanted[] => (of[field] ? [{ side, field, bounds: of[field] }] : []),
    ),
  );
  const media = sides.flatMap(([side, of]) =>
    (of.media ?? []).map(({ kind, min = 1 }): Wanted => ({ side, field: `media.${kind}`, bounds: { min } })),
  );
  const one = (side: Wanted['side'], field: string, min: number | undefined): Wanted[] =>
    min ? [{ side, field, bounds: { min } }] : [];
  return [
    ...counted,
    ...media,
    ...one('response', 'parts', response.parts),
    ...one('replies', 'count', replies.count),
    ...one('replies', 'days', replies.distinctDays),
  ];
}

const UNITS: Record<string, string[]> = {
  words: ['length'],
  paragraphs: ['piece'],
  sentences: ['sentence'],
  sources: ['source'],
  quotes: ['quote', 'times'],
  concepts: ['idea'],
  count: ['person', 'answer', 'post', 'times'],
  days: ['day'],
};
const NAMED: Record<string, string> = { count: 'replies.count', days: 'replies.distinctDays' };
const BOUNDED = new Set(['words', 'sentences', 'paragraphs']);
/** From here a candidate is taken for what a label says. */
const ENOUGH = 0.25;
/** What fits nearly as well may be the same thing said twice: nothing is learned of it. */
const NEARLY = 0.6;

const overlap = (a: { start: number; end: number }, b: { start: number; end: number }) =>
  a.start < b.end && b.start < a.end;
const single = (a: Amount) => a.min === undefined || a.max === undefined;
const valueOf = (a: Amount) => a.min ?? a.max;

function fits(a: Amount, { min, max }: Bounds): boolean {
  if (!single(a)) return a.min === min && (a.max === max || max === undefined);
  return valueOf(a) === min || valueOf(a) === max;
}

function likeness(p: Prompt, a: Amount, { side, field }: Wanted, learned: Learned | null): number {
  const fact = NAMED[field] ?? `${side}.${field}`;
  const read = p.ruled.some(
    (f) => f.fact.startsWith(fact) && overlap(f, a) && (f.value === a.min || f.value === a.max),
  );
  const has = (f: string) => a.features.includes(f);
  const units = UNITS[field] ?? [field.replace('media.', '')];
  const guess =
    (read ? 2 : 0) +
    (units.some((u) => has(`unit:${u}`)) ? 1 : 0) +
    (a.features.some((f) => f.startsWith(`to:${side}`)) ? 0.4 : 0) -
    (has('not-asked') ? 0.3 : 0) -
    (has('bare-thing') ? 0.5 : 0);
  if (!learned) return guess;
  const is = chances(learned.field, a.features)[CLASSES.field.indexOf(field)] ?? 0;
  const to = chances(learned.side, a.features)[CLASSES.side.indexOf(side)] ?? 0;
  return guess * 0.3 + 3 * is * (field === 'count' ? 1 : to);
}

function labelAmounts(p: Prompt, learned: Learned | null, add: Add): void {
  const labels = new Map<Amount, string>();
  const unclear = new Set<Amount>();
  for (const wanted of wantedOf(p.gold)) {
    const { side, field, bounds } = wanted;
    const scored = p.candidates.amounts
      .filter((a) => fits(a, bounds) && !labels.has(a))
      .map((a) => ({ a, score: likeness(p, a, wanted, learned) }))
      .sort((x, y) => y.score - x.score || x.a.start - y.a.start);
    const [best] = scored;
    if (!best || best.score < ENOUGH) continue;
    const both = bounds.min !== undefined && bounds.max !== undefined && bounds.min !== bounds.max;
    const other =
      both && single(best.a) ? scored.find((x) => valueOf(x.a) !== valueOf(best.a))?.a : undefined;
    for (const a of other ? [best.a, other] : [best.a]) {
      labels.set(a, field);
      if (field !== 'count' && field !== 'days') add('side', a.features, side === 'replies' ? 1 : 0);
      if (BOUNDED.has(field) && single(a))
        add('bound', a.features, valueOf(a) === bounds.max && bounds.min !== bounds.max ? 1 : 0);
    }
    for (const x of scored.slice(1)) if (x.score > best.score - NEARLY && !labels.has(x.a)) unclear.add(x.a);
    if (field === 'count' && (bounds.min ?? 0) > 1)
      add('distinct', best.a.features, p.gold.replies?.distinctPeers ? 1 : 0);
  }
  for (const a of p.candidates.amounts)
    if (labels.has(a) || !unclear.has(a))
      add('field', a.features, CLASSES.field.indexOf(labels.get(a) ?? 'none'));
}

const isDay = ({ moment: m }: Time, day: Day) =>
  (day.date ? m.date === day.date : m.weekday === day.weekday && m.date === undefined) &&
  (m.time === undefined || m.time === day.time);

function labelTimes(p: Prompt, learned: Learned | null, add: Add): void {
  const is = new Map<Time, Set<string>>();
  const unclear = new Set<Time>();
  const say = (t: Time, who: string) => is.set(t, (is.get(t) ?? new Set()).add(who));
  for (const who of ['response', 'replies'] as const) {
    const day = p.gold.due?.[who];
    if (!day) continue;
    const scored = p.candidates.times
      .filter((t) => isDay(t, day))
      .map((t) => {
        const read = p.ruled.some((f) => f.fact.startsWith(`due.${who}`) && overlap(f, t));
        const guess = (read ? 2 : 0) + (t.moment.time === day.time ? 1 : 0);
        const all = learned ? chances(learned.time, t.features) : null;
        const p_ = all ? (all[CLASSES.time.indexOf(who)] ?? 0) + (all[3] ?? 0) : 0;
        return { t, score: all ? guess * 0.3 + 3 * p_ : guess };
      })
      .sort(
        (a, b) => b.score - a.score || (who === 'replies' ? b.t.start - a.t.start : a.t.start - b.t.start),
      );
    const [best] = scored;
    if (!best) continue;
    say(best.t, who);
    for (const x of scored.slice(1)) unclear.add(x.t);
    const clock = p.candidates.times.find(
      ({ moment: m }) => m.weekday === undefined && m.date === undefined && m.time === day.time,
    );
    if (day.time && best.t.moment.time === undefined && clock) say(clock, who);
  }
  for (const t of p.candidates.times) {
    const who = is.get(t);
    if (!who && unclear.has(t)) continue;
    add('time', t.features, !who ? 0 : who.size === 2 ? 3 : who.has('response') ? 1 : 2);
  }
}

/** What one of the sentences says, or none of them. */
function labelSaid(
  p: Prompt,
  question: 'example' | 'greet' | 'sealed' | 'late' | 'unanswered',
  fact: string,
  is: number,
  learned: Learned | null,
  add: Add,
): void {
  if (is === 0) {
    for (const s of p.candidates.said) add(question, s.features, 0);
    return;
  }
  const decision: Decision | undefined = learned?.[question];
  const scored = p.candidates.said
    .map((s: Said) => {
      const read = p.ruled.some(
        (f) => f.fact === fact && overlap(f, s) && (question !== 'late' || f.value === p.gold.late),
      );
      const score = decision ? (read ? 0.5 : 0) + (chances(decision, s.features)[is] ?? 0) : Number(read);
      return { s, score };
    })
    .sort((a, b) => b.score - a.score);
  // Where nothing is known yet of where it stands, it is left for the next round.
  if (!learned && (scored[0]?.score ?? 0) === 0) return;
  scored.forEach(({ s, score }, i) => {
    if (i === 0) add(question, s.features, is, 2);
    else if (score < 0.4) add(question, s.features, 0);
  });
}

const spoken = (title: string) =>
  title
    .trim()
    .toLowerCase()
    .replace(/[.\s]+$/u, '');

type Add = (question: keyof Learned, features: readonly string[], is: number, weight?: number) => void;

/** Every example that labelled prompts give, for each question. */
export function examplesOf(prompts: readonly Prompt[], learned: Learned | null): Examples {
  const examples = Object.fromEntries(QUESTIONS.map((q) => [q, [] as Example[]])) as Examples;
  for (const p of prompts) {
    // What the grammar had not seen shows what it is worth elsewhere.
    const counts = p.fresh ? 2 : 1;
    const add: Add = (question, features, is, weight = 1) =>
      examples[question].push({ features, is, weight: weight * counts, text: `${p.set} ${p.id}` });
    labelAmounts(p, learned, add);
    labelTimes(p, learned, add);
    const { response, replies, sealed, late = 'none' } = p.gold;
    const flag = (on: unknown) => (on ? 1 : 0);
    labelSaid(p, 'example', 'response.example', flag(response?.example), learned, add);
    labelSaid(p, 'greet', 'replies.greetByName', flag(replies?.greetByName), learned, add);
    labelSaid(p, 'sealed', 'sealed', flag(sealed), learned, add);
    labelSaid(p, 'late', 'late', CLASSES.late.indexOf(late), learned, add);
    labelSaid(p, 'unanswered', 'replies.unanswered', flag(replies?.unanswered), learned, add);
    const title = spoken(response?.title ?? '');
    for (const q of p.candidates.quoted) add('title', q.features, flag(title && spoken(q.text) === title));
  }
  return examples;
}
