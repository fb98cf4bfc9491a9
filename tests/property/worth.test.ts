import fc from 'fast-check';
import { personId, postId, type PersonId, type PostId } from '@/core/ids';
import { worthAnswering, type Candidate, type Reader } from '@/core/worth/rank';

/** A generator that gives the same run for the same seed (mulberry32). */
function dice(seed: number) {
  let a = seed;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 0x1_0000_0000;
  };
}

const STUDENTS = 30;
const OWED = 2;
const DAYS = 4;
const FOLLOWS = 0.7;
const RUNS = 200;
const MINUTE = 1 / 1_440;

type Response = { post: PostId; author: PersonId; text: string; sharedAt: number; replies: PersonId[] };
type Way = 'suggested' | 'random' | 'newest';

const SUBJECTS =
  'gauge ferry orchard bridge school pump culvert meadow tax cellar road insurance bells fish'.split(' ');

const pick = <T>(all: readonly T[], roll: () => number): T | undefined =>
  all[Math.floor(roll() * all.length)];

function choose(way: Way, me: PersonId, own: Response, class_: readonly Response[], roll: () => number) {
  const allowed = class_.filter((r) => r.author !== me && !r.replies.includes(me));
  if (way === 'newest') return [...allowed].sort((a, b) => b.sharedAt - a.sharedAt)[0];
  if (way === 'random' || roll() >= FOLLOWS) return pick(allowed, roll);
  const reader: Reader = {
    id: me,
    text: own.text,
    prompt: 'What of the river?',
    concepts: [],
    distinctPeers: true,
  };
  const [first] = worthAnswering(
    reader,
    class_.map((r): Candidate => ({
      post: r.post,
      author: r.author,
      text: r.text,
      replies: r.replies.length,
      unread: true,
      answeredMe: own.replies.includes(r.author),
      answered: r.replies.includes(me),
    })),
  );
  return class_.find((r) => r.post === first?.post);
}

/** A class that answers: who comes chooses by what is shared then, writes for a while, shares, and chooses again. */
function leftOut(way: Way, seed: number): number {
  const roll = dice(seed);
  const class_ = Array.from({ length: STUDENTS }, (_, i): Response => ({
    post: postId(i + 1),
    author: personId(`student-${i}`),
    text: `I would look at the ${pick(SUBJECTS, roll)} and the ${pick(SUBJECTS, roll)} first. ${roll() < 0.3 ? 'What have you seen?' : ''}`,
    sharedAt: -roll(),
    replies: [],
  }));
  type Step = { at: number; who: Response; left: number; answering: Response | null };
  const steps: Step[] = class_.map((who) => ({ at: roll() * DAYS, who, left: OWED, answering: null }));
  while (steps.length > 0) {
    steps.sort((a, b) => a.at - b.at);
    const step = steps.shift() as Step;
    step.answering?.replies.push(step.who.author);
    if (step.left === 0) continue;
    const answering = choose(way, step.who.author, step.who, class_, roll) ?? null;
    steps.push({ ...step, at: step.at + (20 + 40 * roll()) * MINUTE, left: step.left - 1, answering });
  }
  return class_.filter((r) => r.replies.length === 0).length / STUDENTS;
}

const average = (way: Way) =>
  Array.from({ length: RUNS }, (_, seed) => leftOut(way, seed + 1)).reduce((n, x) => n + x, 0) / RUNS;

it('a class that mostly follows the first suggestion leaves nobody without a reply', () => {
  const [suggested, random, newest] = [average('suggested'), average('random'), average('newest')];
  const percent = (x: number) => `${(100 * x).toFixed(1)} %`;
  process.stdout.write(
    `Worth answering: of ${RUNS} classes of ${STUDENTS}, each owing ${OWED} over ${DAYS} days, without a reply: ${percent(suggested)} following with probability ${FOLLOWS}, ${percent(random)} at random, ${percent(newest)} by the newest\n`,
  );
  expect(suggested).toBeLessThanOrEqual(0.01);
  expect(random).toBeGreaterThan(0.08);
  expect(newest).toBeGreaterThan(0.5);
});

const candidate = (over: Partial<Candidate> & { n: number }): Candidate => ({
  post: postId(over.n),
  author: personId(`p${over.n}`),
  text: `Text ${over.n} about the river and its banks.`,
  replies: 0,
  unread: false,
  answeredMe: false,
  answered: false,
  ...over,
});
const me: Reader = { id: personId('me'), text: null, prompt: '', concepts: [], distinctPeers: true };

it('is never oneself, nor one already answered where classmates must be distinct; everybody else once', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          mine: fc.boolean(),
          answered: fc.boolean(),
          answeredMe: fc.boolean(),
          unread: fc.boolean(),
          replies: fc.nat(5),
        }),
        { maxLength: 25 },
      ),
      fc.boolean(),
      (posts, distinctPeers) => {
        const all = posts.map(({ mine, ...over }, i) =>
          candidate({ n: i + 1, ...over, ...(mine ? { author: me.id } : {}) }),
        );
        const found = worthAnswering({ ...me, distinctPeers }, all);
        const expected = all.filter((c) => c.author !== me.id && !(distinctPeers && c.answered));
        expect(found.map((s) => s.post).sort((a, b) => a - b)).toEqual(expected.map((c) => c.post));
        // Who has no reply comes before who has one, whatever else speaks for the other.
        const replies = found
          .map((s) => all.find((c) => c.post === s.post))
          .filter((c) => c && !c.answered)
          .map((c) => Math.min(1, c?.replies ?? 0));
        expect(replies).toEqual([...replies].sort((a, b) => a - b));
      },
    ),
  );
});

it('begins with another classmate for each reader, and always with the same for one', () => {
  const all = Array.from({ length: 12 }, (_, i) => candidate({ n: i + 1 }));
  const firsts = Array.from({ length: 40 }, (_, i) => {
    const reader = { ...me, id: personId(`reader-${i}`) };
    const [a, b] = [worthAnswering(reader, all), worthAnswering(reader, [...all].reverse())];
    expect(a).toEqual(b);
    return a[0]?.post;
  });
  expect(new Set(firsts).size).toBeGreaterThan(7);
});
