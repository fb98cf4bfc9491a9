import type { Concept } from '../brief/brief';
import type { PersonId, PostId } from '../ids';
import { contentOf, likeness, promptStems, questionToClass, type Content } from './content';
import { asksToChoose, knownView } from './view';

/** A response that somebody could answer. */
export type Candidate = {
  post: PostId;
  author: PersonId;
  text: string;
  /** Replies by anybody that may be read and stand. */
  replies: number;
  unread: boolean;
  /** Its author has answered the reader in this discussion. */
  answeredMe: boolean;
  /** The reader has answered its author here. */
  answered: boolean;
};

export type Reader = {
  id: PersonId;
  /** The reader's own response; null before there is one. */
  text: string | null;
  prompt: string;
  concepts: readonly Concept[];
  distinctPeers: boolean;
};

/** Why a response is worth an answer, with what it rests on. */
export type Reason =
  | { code: 'no-replies' }
  | { code: 'one-reply' }
  | { code: 'answered-me' }
  | { code: 'other-view'; sentence: string }
  | { code: 'same-idea'; term: string }
  | { code: 'asked'; question: string }
  | { code: 'close'; words: string[] }
  | { code: 'far' }
  | { code: 'unread' }
  | { code: 'answered-before' };

export type Suggestion = { post: PostId; weight: number; reasons: Reason[] };

/**
 * What each reason weighs. Having no reply outweighs all other reasons together, so that nobody is left out while a class has
 * answers to give; the rest choose among those who have equally few.
 */
const WEIGHTS: Record<Reason['code'], number> = {
  'no-replies': 4.5,
  'one-reply': 1.8,
  // Somebody waits for an answer to an answer.
  'answered-me': 0.8,
  // Where two disagree there is most to say.
  'other-view': 0.5,
  'same-idea': 0.3,
  asked: 0.3,
  close: 0.2,
  far: 0.1,
  // Said and not weighed: the order must not change under somebody who reads through it.
  unread: 0,
  'answered-before': -3,
};
/** Among equals each reader begins with another: else the whole class would answer one person first. */
const SPREAD = 0.2;
/** In a smaller class near and far say nothing. */
const ENOUGH_TO_COMPARE = 6;
/** Closer than others is not yet close: so much must be shared, and so many telling words. */
const CLOSE = 0.14;
const SHARED = 3;

/** A number from 0 to 1 that a pair always gets, and no two pairs alike: FNV-1a over both names. */
function lot(reader: string, post: number): number {
  let hash = 0x811c9dc5;
  for (const c of `${reader} ${post}`) hash = Math.imul(hash ^ (c.codePointAt(0) ?? 0), 0x01000193) >>> 0;
  // The last bytes hardly reach the high bits by themselves.
  hash = Math.imul(hash ^ (hash >>> 15), 0x2c1b3c6d) >>> 0;
  return ((hash ^ (hash >>> 13)) >>> 0) / 0x1_0000_0000;
}

const uses = (text: string, { term, aliases }: Concept) =>
  [term, ...aliases].some((name) => text.toLowerCase().includes(name.toLowerCase()));

/** How much a stem tells: nothing where the prompt gave it or most of the class has it. */
function rarityIn(all: readonly Content[], prompt: ReadonlySet<string>) {
  const have = new Map<string, number>();
  for (const { words } of all) for (const stem of words.keys()) have.set(stem, (have.get(stem) ?? 0) + 1);
  return (stem: string) =>
    prompt.has(stem) ? 0 : Math.max(0, Math.log(all.length / (have.get(stem) ?? all.length)));
}

/** The reasons that lie in what was written. */
function inContent(reader: Reader, candidates: readonly Candidate[]): (c: Candidate) => Reason[] {
  const prompt = promptStems(reader.prompt);
  const contents = new Map(candidates.map((c) => [c.post, contentOf(c.text)]));
  const asked = (c: Candidate): Reason[] => {
    const question = questionToClass(contents.get(c.post) ?? contentOf(c.text), prompt);
    return question ? [{ code: 'asked', question }] : [];
  };
  const { text } = reader;
  if (text === null) return asked;
  const own = contentOf(text);
  const ownView = knownView(text, reader.prompt);
  const ownIdeas = reader.concepts.filter((idea) => uses(text, idea));
  const rarity = rarityIn([...contents.values(), own], prompt);
  const alike = new Map(
    candidates.map((c) => [c.post, likeness(own, contents.get(c.post) ?? contentOf(c.text), rarity)]),
  );
  const shares = [...alike.values()].map((l) => l.share).sort((a, b) => a - b);
  const few = shares.length < ENOUGH_TO_COMPARE;
  const near = shares[Math.ceil(shares.length * 0.8) - 1] ?? 1;
  const far = shares[Math.floor(shares.length * 0.2)] ?? 0;
  return (c) => {
    const reasons = asked(c);
    const view = knownView(c.text, reader.prompt);
    if (view.side * ownView.side < 0 && view.sentence)
      reasons.push({ code: 'other-view', sentence: view.sentence });
    const idea = ownIdeas.find((i) => uses(c.text, i));
    if (idea) reasons.push({ code: 'same-idea', term: idea.term });
    const like = alike.get(c.post);
    // Of a prompt that lets one choose, only who stands on the same side is close, whatever words they share.
    const sameSide = !asksToChoose(reader.prompt).chooses || view.side * ownView.side > 0;
    if (like && !few && sameSide && like.share > near && like.share >= CLOSE && like.words.length >= SHARED)
      reasons.push({ code: 'close', words: like.words });
    else if (like && !few && like.share < far) reasons.push({ code: 'far' });
    return reasons;
  };
}

/**
 * The responses worth answering, best first, with reasons. Never one's own; where classmates must be distinct, never somebody
 * whom one has answered. The order gives a class's attention to those who have least of it.
 *
 * @example a response that nobody has answered stands before all that somebody has
 */
export function worthAnswering(reader: Reader, candidates: readonly Candidate[]): Suggestion[] {
  const open = candidates.filter(
    (c) => c.author !== reader.id && !(c.answered && reader.distinctPeers) && c.text.trim() !== '',
  );
  const written = inContent(reader, open);
  return open
    .map((c) => {
      const reasons: Reason[] = [
        ...(c.answered ? [{ code: 'answered-before' as const }] : []),
        ...(c.answeredMe ? [{ code: 'answered-me' as const }] : []),
        ...(c.replies === 0 ? [{ code: 'no-replies' as const }] : []),
        ...(c.replies === 1 ? [{ code: 'one-reply' as const }] : []),
        ...written(c),
        ...(c.unread ? [{ code: 'unread' as const }] : []),
      ];
      const weight = reasons.reduce((n, r) => n + WEIGHTS[r.code], 0) + SPREAD * lot(reader.id, c.post);
      return { post: c.post, weight, reasons };
    })
    .sort((a, b) => b.weight - a.weight || a.post - b.post);
}
