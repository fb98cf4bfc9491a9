import { judge } from '@/core/substance/judge';
import { LEARNED } from '@/core/substance/learned';
import { MEANT } from '@/core/substance/meant';
import { weigh } from '@/core/substance/weigh';
import { meantOf } from '@/server/discussions/meant';
import { accuracy, auc } from './held-out';
import { replySets, type Labelled } from './labelled';

/* Weighed by their words and their meaning together: what the weights were learned from, so no measure of others (`npm run eval`). */

/** Subjects in which words alone go wrong: five of sixteen. */
const NAMES = ['own-15', 'own-20'];
/** As if nothing were known of what a reply means. */
const UNKNOWN = LEARNED.of.slice(-MEANT.length).map((o) => o.mean);
const some: Labelled[] = replySets()
  .filter((s) => NAMES.includes(s.name))
  .flatMap((s) => s.replies);

async function weighed(r: Labelled) {
  const { measures } = judge(r.reply, {
    peer: { name: r.peerName, text: r.peerPost },
    prompt: r.prompt,
    concepts: r.concepts,
    others: r.otherPosts,
  });
  if (!measures) throw new Error(r.id);
  const meant = await meantOf({ reply: r.reply, post: r.peerPost, prompt: r.prompt });
  return { ...r, ...weigh(measures, meant), byWords: weigh(measures, UNKNOWN).score };
}

it('tells who says something from who does not, and calls nothing empty substantive', async () => {
  expect(some).toHaveLength(16);
  const judged = [];
  for (const r of some) judged.push(await weighed(r));
  process.stdout.write(
    `Replies by words and meaning: AUC ${auc(judged).toFixed(3)}, right ${accuracy(judged).toFixed(3)} of ${judged.length}\n`,
  );
  expect(auc(judged)).toBeGreaterThan(0.95);
  const byWords = judged.map((j) => ({ ...j, score: j.byWords }));
  expect(accuracy(judged) - accuracy(byWords)).toBeGreaterThan(0.2);
  expect(judged.filter((j) => j.verdict === 'substantive' && !j.substantive)).toEqual([]);
  expect(judged.filter((j) => j.verdict === 'thin' && j.substantive)).toEqual([]);
}, 60_000);

it('of an empty reply there is nothing to weigh', async () => {
  expect((await meantOf({ reply: '', post: 'A post.', prompt: 'A prompt?' })).every(Number.isFinite)).toBe(
    true,
  );
});
