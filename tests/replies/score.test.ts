import { AGAINST, FOR } from '@/core/substance/facets';
import { readAnswered } from '@/core/substance/answered';
import { judge, judgeRead } from '@/core/substance/judge';
import { accuracy, auc, heldOut, isRight, judged, type Scored } from './held-out';
import { developmentReplies, wordsKnow, type Labelled } from './labelled';

const say = (line: string) => void process.stdout.write(`Replies, ${line}\n`);
const figures = (all: readonly Scored[]) =>
  `AUC ${auc(all).toFixed(3)}, right ${accuracy(all).toFixed(3)} of ${all.length}`;
const wrong = (all: readonly Scored[]) =>
  all.filter((s) => !isRight(s)).map((s) => `${s.id} ${s.kind} ${s.score.toFixed(2)}`);

const SETS = [
  {
    name: 'the development set',
    replies: developmentReplies(),
    atLeast: 34,
    floor: { auc: 0.98, right: 0.9 },
  },
  { name: 'our own', replies: wordsKnow(), atLeast: 150, floor: { auc: 0.975, right: 0.92 } },
];

describe.each(SETS)('judging $name', ({ name, replies, atLeast, floor }) => {
  it('is as good as it was', () => {
    expect(replies.length).toBeGreaterThanOrEqual(atLeast);
    const all = judged(replies);
    say(`${name}: ${figures(all)}`);
    // What went wrong is shown where the figures fell.
    expect(auc(all) >= floor.auc && accuracy(all) >= floor.right ? [] : wrong(all)).toEqual([]);
  });

  it('owes nothing to length', () => {
    const byLength = auc(judged(replies).map((s, i) => ({ ...s, score: replies[i]?.reply.length ?? 0 })));
    say(`${name}, by their length alone: AUC ${byLength.toFixed(3)}`);
    expect(Math.abs(byLength - 0.5)).toBeLessThan(0.2);
  });

  it('says of every reply why, with places in the reply and in the post', () => {
    for (const r of replies) {
      const { facets } = judge(r.reply, answered(r));
      expect([r.id, facets.length > 0]).toEqual([r.id, true]);
      for (const f of facets) {
        expect([...FOR, ...AGAINST]).toContain(f.kind);
        for (const s of f.spans)
          expect([r.id, f.kind, s.start >= 0 && s.end > s.start && s.end <= r.reply.length]).toEqual([
            r.id,
            f.kind,
            true,
          ]);
        if (f.of) expect(r.peerPost.slice(f.of.start, f.of.end).trim()).not.toBe('');
      }
    }
  });
});

const answered = (r: Labelled) => ({
  peer: { name: r.peerName, text: r.peerPost },
  prompt: r.prompt,
  concepts: r.concepts,
  others: r.otherPosts,
});

const ALL = [...developmentReplies(), ...wordsKnow()];

it('a subject that the weights were not fitted on is judged nearly as well', () => {
  const all = heldOut(ALL);
  const dev = all.filter((s) => /^[a-z]/u.test(s.id));
  say(`each subject left out in turn: ${figures(all)}; of the development set: ${figures(dev)}`);
  expect(auc(all)).toBeGreaterThanOrEqual(0.975);
  expect(auc(dev)).toBeGreaterThanOrEqual(0.97);
});

it('short, informal and second-language replies are not punished for it', () => {
  const all = judged(ALL);
  for (const [kind, floor] of [
    ['brief_sharp', 0.75],
    ['informal', 0.85],
    ['esl', 0.85],
  ] as const) {
    const some = all.filter((s) => s.kind === kind);
    say(`${kind}: right ${accuracy(some).toFixed(3)} of ${some.length}`);
    expect(accuracy(some) >= floor ? [] : wrong(some)).toEqual([]);
  }
});

it('every kind that is no answer is told as such', () => {
  const all = judged(ALL);
  for (const kind of new Set(ALL.filter((r) => !r.substantive).map((r) => r.kind))) {
    const some = all.filter((s) => s.kind === kind);
    say(`${kind}: right ${accuracy(some).toFixed(3)} of ${some.length}`);
    // Who answers the prompt anew uses all its words: that is told least well.
    expect(accuracy(some) >= (kind === 'talking_past' ? 0.7 : 0.8) ? [] : wrong(some)).toEqual([]);
  }
});

it('praise before a good answer takes little from it, and makes no good answer of nothing', () => {
  const good = ALL.filter((r) => r.substantive && r.kind !== 'brief_sharp');
  const lower = good.filter(
    (r) =>
      judge(r.reply, answered(r)).score >= 0.5 &&
      judge(`Thank you for this post! ${r.reply}`, answered(r)).score < 0.5,
  );
  expect(lower.length / good.length).toBeLessThan(0.1);
  for (const r of ALL)
    expect(judge('Great post, I really enjoyed reading it. I agree!', answered(r)).verdict).toBe('thin');
});

it('an empty reply is thin, whatever it answers', () =>
  expect(judge(' \n', answered(ALL[0] as Labelled))).toEqual({
    score: 0,
    verdict: 'thin',
    words: 0,
    facets: [],
    measures: null,
  }));

it('a post sent back word for word is thin', () => {
  for (const r of ALL) expect([r.id, judge(r.peerPost, answered(r)).verdict]).toEqual([r.id, 'thin']);
});

it('takes less than 30 ms a reply', () => {
  const began = performance.now();
  for (const r of ALL) judge(r.reply, answered(r));
  const each = (performance.now() - began) / ALL.length;
  // What is answered is read once for all keys of a reply.
  const first = ALL[0] as Labelled;
  const read = readAnswered(answered(first));
  const again = performance.now();
  for (let i = 0; i < 20; i += 1) judgeRead(first.reply, read);
  const key = (performance.now() - again) / 20;
  say(`${each.toFixed(1)} ms a reply with all it answers, ${key.toFixed(1)} ms when that is read`);
  expect(each).toBeLessThan(30);
});
