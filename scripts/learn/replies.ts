import { EigenvalueDecomposition, Matrix, solve } from 'ml-matrix';
import { readAnswered } from '@/core/substance/answered';
import { judgeRead } from '@/core/substance/judge';
import { meantBy, sentencesToWeigh } from '@/core/substance/meant';
import { meaningsOf } from '@/server/questions/meanings';
import type { Labelled } from '../../tests/replies/labelled';

export type Row = { reply: Labelled; is: number; values: number[] };
export type Fit = { bias: number; of: { mean: number; spread: number; weight: number }[] };

/** Each sentence is asked for once. */
const known = new Map<string, number[]>();
async function vectorsOf(texts: readonly string[]): Promise<number[][]> {
  const missing = [...new Set(texts)].filter((t) => !known.has(t));
  const found = await meaningsOf(missing);
  missing.forEach((t, i) => known.set(t, found[i] ?? []));
  return texts.map((t) => known.get(t) ?? []);
}

export async function vectorsFor(r: Labelled) {
  const texts = sentencesToWeigh({ reply: r.reply, post: r.peerPost, prompt: r.prompt });
  return {
    sentences: texts.reply,
    reply: await vectorsOf(texts.reply),
    post: await vectorsOf(texts.post),
    prompt: await vectorsOf(texts.prompt),
  };
}

/** A reply as numbers: by its words, and by its meaning. */
export async function rowOf(reply: Labelled): Promise<Row> {
  const read = readAnswered({
    peer: { name: reply.peerName, text: reply.peerPost },
    prompt: reply.prompt,
    concepts: reply.concepts,
    others: reply.otherPosts,
  });
  const { measures } = judgeRead(reply.reply, read);
  const vectors = await vectorsFor(reply);
  const byWords = measures ? Object.values(measures) : [];
  return {
    reply,
    is: Number(reply.substantive),
    values: [...byWords, ...meantBy(vectors.sentences, vectors)],
  };
}

const RIDGE = 15;
const STEPS = 25;

/** Logistic regression with a ridge on measures of one spread, by Newton's steps. */
export function fitted(rows: readonly Row[]): Fit {
  const size = rows[0]?.values.length ?? 0;
  const of = Array.from({ length: size }, (_, i) => {
    const all = rows.map((r) => r.values[i] ?? 0);
    const mean = all.reduce((a, b) => a + b, 0) / all.length;
    const spread = Math.sqrt(all.reduce((n, v) => n + (v - mean) ** 2, 0) / all.length) + 1e-6;
    return { mean, spread };
  });
  const x = new Matrix(
    rows.map((r) => [...r.values.map((v, i) => (v - (of[i]?.mean ?? 0)) / (of[i]?.spread ?? 1)), 1]),
  );
  let w = Matrix.zeros(size + 1, 1);
  const ridge = Matrix.diag([...new Array<number>(size).fill(RIDGE), 1e-6]);
  for (let step = 0; step < STEPS; step += 1) {
    const p = x
      .mmul(w)
      .to1DArray()
      .map((v) => 1 / (1 + Math.exp(-v)));
    const off = Matrix.columnVector(p.map((v, i) => v - (rows[i]?.is ?? 0)));
    const slope = x.transpose().mmul(off).add(ridge.mmul(w));
    const curve = x
      .transpose()
      .mmul(x.clone().mulColumnVector(p.map((v) => v * (1 - v))))
      .add(ridge);
    w = Matrix.sub(w, solve(curve, slope));
  }
  const weights = w.to1DArray();
  return {
    bias: weights[size] ?? 0,
    of: of.map(({ mean, spread }, i) => ({ mean, spread, weight: weights[i] ?? 0 })),
  };
}

export const chanceOf = ({ bias, of }: Fit, values: readonly number[]) =>
  1 /
  (1 +
    Math.exp(
      -values.reduce((n, v, i) => {
        const { mean = 0, spread = 1, weight = 0 } = of[i] ?? {};
        return n + (weight * (v - mean)) / spread;
      }, bias),
    ));

/** So many lines along which sentences of replies differ most (principal components). */
const LINES = 24;

/** The middle of all sentences, and the lines along which those of replies differ most. */
export async function linesOf(replies: readonly Labelled[]) {
  const all: number[][] = [];
  const ofReplies: number[][] = [];
  for (const r of replies) {
    const v = await vectorsFor(r);
    all.push(...v.reply, ...v.post, ...v.prompt);
    ofReplies.push(...v.reply);
  }
  const unit = (v: readonly number[]) => {
    const length = Math.sqrt(v.reduce((n, x) => n + x * x, 0));
    return v.map((x) => x / length);
  };
  const middle = (vs: readonly (readonly number[])[]) =>
    (vs[0] ?? []).map((_, i) => vs.reduce((n, v) => n + (v[i] ?? 0), 0) / vs.length);
  const mean = middle(all.map(unit));
  const shifted = ofReplies.map((v) => unit(unit(v).map((x, i) => x - (mean[i] ?? 0))));
  const centre = middle(shifted);
  const x = new Matrix(shifted.map((v) => v.map((a, i) => a - (centre[i] ?? 0))));
  const { eigenvectorMatrix } = new EigenvalueDecomposition(x.transpose().mmul(x), { assumeSymmetric: true });
  const lines = Array.from({ length: LINES }, (_, i) => {
    const line = eigenvectorMatrix.getColumn(eigenvectorMatrix.columns - 1 - i);
    // A line has no direction of its own: it is given that of its largest part.
    const largest = line.reduce((best, v) => (Math.abs(v) > Math.abs(best) ? v : best), 0);
    return largest < 0 ? line.map((v) => -v) : line;
  });
  return { mean, lines };
}
