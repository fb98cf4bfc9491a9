import { readFileSync } from 'node:fs';
import { auc } from '../tests/replies/held-out';
import { replySets } from '../tests/replies/labelled';
import { promptSets } from '../tests/prompts/labelled';
import { isRight, scoreOf } from '../tests/prompts/score';
import { readPrompt } from '@/core/prompts/read-prompt';
import { judge } from '@/core/substance/judge';
import { weigh } from '@/core/substance/weigh';
import { meantOf } from '@/server/discussions/meant';

/*
 * npm run -s eval   every labelled set: how it was judged at first sight, which is kept and never rewritten, and how it is now.
 * Now is no measure where a set was learned from: what texts that nobody has seen may expect is the newest first sight.
 */

const say = (line: string) => void process.stdout.write(`${line}\n`);
const kept = <T>(path: string) => JSON.parse(readFileSync(new URL(path, import.meta.url), 'utf8')) as T[];

type PromptSight = { set: string; on: string; by: string; f1: number; whole: number; of: number };
type ReplySight = { set: string; on: string; by: string; auc: number; right: number; of: number };

say('Prompts: F1 of facts, prompts read without a fault');
const prompts = kept<PromptSight>('../tests/prompts/first-sight.json');
for (const { name, grammarKnows, newest, prompts: all } of promptSets()) {
  const { f1, whole, of } = scoreOf(all);
  const sights = prompts
    .filter((s) => s.set === name)
    .map((s) => `${s.f1.toFixed(3)}, ${s.whole} of ${s.of} (${s.on}, ${s.by})`);
  const first = sights.join('; ') || (grammarKnows ? 'not kept' : 'none');
  say(
    `  ${name.padEnd(12)} at first sight ${first} · now ${f1.toFixed(3)}, ${whole} of ${of}${newest ? ', not learned from' : ''}`,
  );
}

/** How often what is said with such a chance is so. */
const BINS = [0, 0.3, 0.5, 0.75, 0.9, 0.98, 1.01];
function tellChances(what: string, all: readonly { chance: number; so: boolean }[]) {
  const told = BINS.slice(0, -1).flatMap((from, i) => {
    const of = all.filter((x) => x.chance >= from && x.chance < (BINS[i + 1] ?? 2));
    if (of.length === 0) return [];
    const mean = of.reduce((sum, x) => sum + x.chance, 0) / of.length;
    const so = of.filter((x) => x.so).length / of.length;
    return [`said ${mean.toFixed(2)}, so ${so.toFixed(2)} of ${of.length}`];
  });
  say(`  ${what}: ${told.join(' · ')}`);
}
for (const { name, prompts: all } of promptSets().filter((s) => s.newest))
  tellChances(
    `chances in ${name}`,
    all.flatMap(({ text, gold }) =>
      readPrompt(text).facts.flatMap((f) => {
        const so = isRight(gold, f);
        return so === null ? [] : [{ chance: f.confidence, so }];
      }),
    ),
  );

say('\nReplies: AUC, right at even chances, called substantive and so');
for (const s of kept<ReplySight>('../tests/replies/first-sight.json'))
  say(`  ${s.set} at first sight ${s.auc.toFixed(3)}, ${s.right.toFixed(3)} of ${s.of} (${s.on}, ${s.by})`);
const all: { chance: number; so: boolean }[] = [];
for (const { name, replies } of replySets()) {
  const judged = [];
  for (const r of replies) {
    const answered = {
      peer: { name: r.peerName, text: r.peerPost },
      prompt: r.prompt,
      concepts: r.concepts,
      others: r.otherPosts,
    };
    const { measures } = judge(r.reply, answered);
    if (!measures) continue;
    const meant = await meantOf({ reply: r.reply, post: r.peerPost, prompt: r.prompt });
    judged.push({ ...r, ...weigh(measures, meant) });
  }
  all.push(...judged.map((j) => ({ chance: j.score, so: j.substantive })));
  const right = judged.filter((j) => j.score >= 0.5 === j.substantive).length / judged.length;
  const called = judged.filter((j) => j.verdict === 'substantive');
  say(
    `  ${name.padEnd(12)} now ${auc(judged).toFixed(3)}, ${right.toFixed(3)} of ${judged.length} · ${called.length}, ${called.filter((j) => j.substantive).length}`,
  );
}
tellChances('chances in all of them', all);
process.exit(0);
