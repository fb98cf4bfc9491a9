import { personId, postId } from '@/core/ids';
import { worthAnswering, type Candidate, type Reason } from '@/core/worth/rank';
import { DISCUSSIONS, type Labelled } from './labelled';

/** Five of a discussion say nothing of near and far; these stand in for the rest of the class, and are judged with nobody. */
const FILL = ['Bells ring over cellars.', 'A road bends near the mill.', 'Snow fell on the lamp post.'];

type Pair = { said: Reason['code'][]; a: Labelled; b: Labelled };

function pairsOf({ prompt, responses }: (typeof DISCUSSIONS)[number]): Pair[] {
  const all = [...responses.map((r) => r.text), ...FILL];
  const candidates = all.map((text, i): Candidate => ({
    post: postId(i + 1),
    author: personId(`p${i}`),
    text,
    replies: 2,
    unread: false,
    answeredMe: false,
    answered: false,
  }));
  return responses.flatMap((a, i) => {
    const reader = { id: personId(`p${i}`), text: a.text, prompt, concepts: [], distinctPeers: false };
    const suggestions = worthAnswering(reader, candidates);
    return responses.flatMap((b, j): Pair[] =>
      j <= i
        ? []
        : [{ a, b, said: (suggestions.find((s) => s.post === j + 1)?.reasons ?? []).map((r) => r.code) }],
    );
  });
}

const pairs = DISCUSSIONS.flatMap(pairsOf);
const opposite = ({ a, b }: Pair) => a.side !== 'neither' && b.side !== 'neither' && a.side !== b.side;
const close = ({ a, b }: Pair) => a.side === b.side && a.about === b.about;

function precision(code: Reason['code'], right: (pair: Pair) => boolean) {
  const said = pairs.filter((p) => p.said.includes(code));
  const good = said.filter(right).length;
  const there = pairs.filter(right).length;
  console.log(
    `Worth answering, "${code}": said of ${said.length} of ${pairs.length} pairs, rightly of ${good}; ${there} are such`,
  );
  return { share: said.length ? good / said.length : 1, said: said.length };
}

it('sixty labelled pairs: what is said of another view, or of closeness, is so at least nine times in ten', () => {
  expect(pairs).toHaveLength(60);
  const other = precision('other-view', opposite);
  const near = precision('close', close);
  expect(other.share).toBeGreaterThanOrEqual(0.9);
  expect(near.share).toBeGreaterThanOrEqual(0.9);
  expect(other.said + near.said).toBeGreaterThan(5);
});
