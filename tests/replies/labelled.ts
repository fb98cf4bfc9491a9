import { readFileSync, readdirSync } from 'node:fs';

/** A reply with its label: whether it is substantive, and what kind of writing it is. */
export type Labelled = {
  id: string;
  discussion: string;
  prompt: string;
  concepts: string[];
  peerName: string;
  peerPost: string;
  otherPosts: string[];
  replierName: string;
  reply: string;
  substantive: boolean;
  kind: string;
};

const here = (name: string) => new URL(name, import.meta.url);

/** One discussion: `#` its title, `prompt:`, `concepts:`, `post NAME: …`, `reply TO BY kind +: …` (`+` where it is substantive). */
function discussionOf(file: string, text: string): Labelled[] {
  const field = (name: string) => new RegExp(`^${name} ?(.*)$`, 'mu').exec(text)?.[1] ?? '';
  const posts = [...text.matchAll(/^post (\S+): (.*)$/gmu)].map(([, name = '', post = '']) => ({
    name,
    post,
  }));
  return [...text.matchAll(/^reply (\S+) (\S+) (\S+) ([+-]): (.*)$/gmu)].map(
    ([, to = '', by = '', kind = '', sign, reply = ''], i) => ({
      id: `${file}-${String(i + 1).padStart(2, '0')}`,
      discussion: field('#'),
      prompt: field('prompt:'),
      concepts: field('concepts:').split('; '),
      peerName: to,
      peerPost: posts.find((p) => p.name === to)?.post ?? '',
      otherPosts: posts.filter((p) => p.name !== to).map((p) => p.post),
      replierName: by,
      reply,
      substantive: sign === '+',
      kind,
    }),
  );
}

/** The last of our own subjects that the measures by words were made with. */
const WORDS_END = 10;

/** Replies of our own, each labelled before it was judged. */
const ownReplies = (): Labelled[] =>
  readdirSync(here('.'))
    .filter((name) => /^labelled-\d+\.txt$/u.test(name))
    .flatMap((name) => discussionOf(/\d+/u.exec(name)?.[0] ?? '', readFileSync(here(name), 'utf8')));

export const developmentReplies = (): Labelled[] =>
  readFileSync(here('development.jsonl'), 'utf8')
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Labelled);

export const hardReplies = (): Labelled[] =>
  readFileSync(here('hard.jsonl'), 'utf8')
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Labelled);

/** Those that the measures by words were made with. */
export const wordsKnow = (): Labelled[] =>
  ownReplies().filter((r) => Number(r.id.split('-')[0]) <= WORDS_END);

export type ReplySet = { name: string; replies: Labelled[] };
/** All labelled replies, in the order in which they were written; a subject is in one set alone. */
export function replySets(): ReplySet[] {
  const own = new Map<string, Labelled[]>();
  for (const r of ownReplies()) {
    const name = `own-${r.id.split('-')[0] ?? ''}`;
    own.set(name, [...(own.get(name) ?? []), r]);
  }
  return [
    { name: 'development', replies: developmentReplies() },
    ...[...own].map(([name, replies]) => ({ name, replies })),
    { name: 'hard', replies: hardReplies() },
  ];
}
