import { readAnswered } from '@/core/substance/answered';
import { judge, measuresOf } from '@/core/substance/judge';
import { measure } from '@/core/substance/measure';
import type { Labelled } from './labelled';

export type Scored = { id: string; kind: string; discussion: string; substantive: boolean; score: number };

const answeredOf = (r: Labelled) => ({
  peer: { name: r.peerName, text: r.peerPost },
  prompt: r.prompt,
  concepts: r.concepts,
  others: r.otherPosts,
});

export const judged = (replies: readonly Labelled[]): Scored[] =>
  replies.map((r) => ({ ...r, score: judge(r.reply, answeredOf(r)).score }));

/** The chance that of a substantive and another reply the substantive one has the higher score. */
export function auc(all: readonly Scored[]): number {
  const yes = all.filter((s) => s.substantive);
  const no = all.filter((s) => !s.substantive);
  const wins = yes.flatMap((a) =>
    no.map((b): number => (a.score > b.score ? 1 : a.score === b.score ? 0.5 : 0)),
  );
  return wins.reduce((n, w) => n + w, 0) / wins.length;
}

export const isRight = (s: Scored) => s.score >= 0.5 === s.substantive;
export const accuracy = (all: readonly Scored[]) => all.filter(isRight).length / all.length;

type Row = { reply: Labelled; x: number[] };
const STEPS = 1_500;
const RATE = 0.03;
const RIDGE = 0.0005;

const chance = (w: readonly number[], x: readonly number[]) =>
  1 / (1 + Math.exp(-x.reduce((n, v, i) => n + v * (w[i] ?? 0), 0)));

/** Logistic regression with a ridge, by plain descent. */
function fitted(rows: readonly Row[]): number[] {
  const w = new Array<number>(rows[0]?.x.length ?? 0).fill(0);
  for (let step = 0; step < STEPS; step += 1) {
    const slope = w.map((v, i) => (i ? RIDGE * v * rows.length : 0));
    for (const { reply, x } of rows) {
      const off = chance(w, x) - Number(reply.substantive);
      x.forEach((v, i) => (slope[i] = (slope[i] ?? 0) + off * v));
    }
    slope.forEach((v, i) => (w[i] = (w[i] ?? 0) - RATE * v));
  }
  return w;
}

/** Each reply as weights judge it that were fitted on the other subjects alone: what to expect of a subject nobody has seen. */
export function heldOut(replies: readonly Labelled[]): Scored[] {
  const rows = replies.map((reply) => ({
    reply,
    x: [1, ...Object.values(measuresOf(measure(reply.reply, readAnswered(answeredOf(reply)))))],
  }));
  return [...new Set(replies.map((r) => r.discussion))].flatMap((subject) => {
    const w = fitted(rows.filter((r) => r.reply.discussion !== subject));
    return rows
      .filter((r) => r.reply.discussion === subject)
      .map(({ reply, x }) => ({ ...reply, score: chance(w, x) }));
  });
}
