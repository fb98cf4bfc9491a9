import { around, subjectOf, type Anchor } from './anchors';
import type { Page } from './lines';
import { nameIn, sameName } from './names';

/** What says that a post answers another: its words, a link, where it stands, or what it quotes. */
export type Because = 'named' | 'linked' | 'nested' | 'indented' | 'subject' | 'addressed' | 'quoted';
export type Answers = { parent: number | null; because: Because | null };

/** A post as far as it is known: its lines, which are its text, and those that belong to the page and stand about it. */
export type Known = { anchor: Anchor; body: readonly number[]; about: readonly number[]; title: string };

const NOT_THE_PARENT = /\b(?:next|previous|newer|older|top|permalink|link)\b/iu;
const TO_NUMBER =
  /(?:in (?:reply|response|answer) to|re:?|repl(?:y|ies|ied) to|answers?|responds? to|to|>>|↳|↑)\s*(?:post|message|no\.?|number)?\s*#?\s*(\d{1,9})\b/iu;
const OWN_NUMBER = /(?:^|[\s(])(?:#|no\.? ?|post |message )(\d{1,9})\b/iu;
const WROTE = /^(.{2,60}?)\s+(?:wrote|said|posted|writes)\b.{0,60}?:/iu;
const ADDRESSED =
  /^(?:(?:hi|hello|hey|dear|thanks|thank you|good (?:morning|point|question))[,!]?\s+)?@?(\p{Lu}[\p{L}’'-]+(?:\s\p{Lu}[\p{L}’'-]+)?)\s*[,:!–—-]/u;

/** The latest post before one that somebody wrote. */
function lastBy(posts: readonly Known[], name: string, before: number): number | null {
  for (let i = before - 1; i >= 0; i -= 1) {
    const who = posts[i]?.anchor.author?.name;
    if (who && sameName(who, name)) return i;
  }
  return null;
}

/**
 * The post that answering somebody by name means: theirs to whoever answers, which goes on with an exchange; else their response; else
 * their latest.
 */
function namedPost(
  posts: readonly Known[],
  answers: readonly Answers[],
  name: string,
  i: number,
): number | null {
  const me = posts[i]?.anchor.author?.name ?? '';
  const all = [...posts.keys()]
    .slice(0, i)
    .filter((k) => sameName(posts[k]?.anchor.author?.name ?? '', name))
    .reverse();
  // A subject says which thread it is.
  const subject = subjectOf(posts[i]?.title ?? '');
  const inThread = all.filter((k) => {
    const title = posts[k]?.title ?? '';
    return subject !== null && plain(subjectOf(title) ?? title) === plain(subject);
  });
  const theirs = inThread.length ? inThread : all;
  const toMe = theirs.find((k) => {
    const over = answers[k]?.parent ?? null;
    return over !== null && sameName(posts[over]?.anchor.author?.name ?? '', me);
  });
  return toMe ?? theirs.find((k) => answers[k]?.parent === null) ?? theirs[0] ?? null;
}

/** The post whose lines a name on the page, which a link leads to, stands for. */
function leadsTo(page: Page, posts: readonly Known[], ref: string): number | null {
  const id = page.boxes.findIndex((b) => b.id !== '' && b.id === ref);
  const box = page.boxes[id];
  if (!box) return null;
  const inside = posts.findIndex((p) => p.anchor.line >= box.first && p.anchor.line <= box.last);
  if (inside >= 0) return inside;
  // An empty name over a post.
  const after = posts.findIndex((p) => Math.min(...p.anchor.own, ...p.body) >= box.first);
  return after >= 0 ? after : null;
}

function linked(page: Page, posts: readonly Known[], i: number): number | null {
  const post = posts[i];
  if (!post) return null;
  for (const n of [...post.anchor.own, ...post.about]) {
    const line = page.lines[n];
    if (!line || NOT_THE_PARENT.test(line.text)) continue;
    for (const ref of line.refs) {
      const to = leadsTo(page, posts, ref);
      if (to !== null && to < i) return to;
    }
  }
  return null;
}

/** The numbers that posts say of themselves. */
const numbersOf = (page: Page, posts: readonly Known[]) =>
  posts.map((p) => {
    for (const n of [...p.anchor.own, ...p.about]) {
      const m = OWN_NUMBER.exec((page.lines[n]?.text ?? '').replace(TO_NUMBER, ' '));
      if (m) return Number(m[1]);
    }
    return null;
  });

function numbered(page: Page, post: Known, numbers: readonly (number | null)[], i: number): number | null {
  for (const n of [...post.anchor.own, ...post.about]) {
    const m = TO_NUMBER.exec(page.lines[n]?.text ?? '');
    const to = m ? numbers.indexOf(Number(m[1])) : -1;
    if (to >= 0 && to !== i) return to;
  }
  return null;
}

/** Empty cells at the beginning of a row push it in, as margins do. */
function cellsBefore(page: Page, line: number): number {
  for (const id of around(page.boxes, page.lines[line]?.box ?? 0)) {
    const row = page.boxes[id]?.parent;
    if (row === null || row === undefined || !/^t[dh]\b/u.test(page.boxes[id]?.kind ?? '')) continue;
    let empty = 0;
    let pads = 0;
    for (let k = row + 1; k < page.boxes.length; k += 1) {
      const cell = page.boxes[k];
      if (!cell || (cell.parent ?? -1) < row) break;
      if (cell.parent !== row) continue;
      if (cell.last >= cell.first) break;
      empty += 1;
      pads += cell.pad;
    }
    return empty + pads / 4;
  }
  return 0;
}

/** Where each post stands among the boxes of the page: beside one that is alike, or within what belongs to one. */
function nestings(page: Page, posts: readonly Known[]): (number | null)[] {
  const at = posts.map((p) => p.anchor.line);
  const chains = at.map((line) => [...around(page.boxes, page.lines[line]?.box ?? 0)].reverse());
  const parents: (number | null)[] = [];
  for (let i = 0; i < posts.length; i += 1) {
    if (i === 0) {
      parents.push(null);
      continue;
    }
    const chain = chains[i] ?? [];
    // The innermost box with an earlier post in it.
    let depth = chain.length - 1;
    for (; depth > 0; depth -= 1) {
      const box = page.boxes[chain[depth] ?? 0];
      if (box && at.slice(0, i).some((line) => line >= box.first && line <= box.last)) break;
    }
    const around_ = chain[depth];
    const childOf = (k: number) => {
      const child = chains[k]?.[depth + 1];
      return {
        child: child ?? -1 - k,
        kind: child === undefined ? 'line' : (page.boxes[child]?.kind ?? ''),
      };
    };
    const mine = childOf(i);
    const before = [...posts.keys()].slice(0, i).filter((k) => chains[k]?.[depth] === around_);
    const [head] = before;
    if (head === undefined) {
      parents.push(null);
      continue;
    }
    const nearest = before.at(-1) ?? head;
    const near = childOf(nearest);
    const headKind = childOf(head).kind;
    const firstIn = (child: number) => before.find((k) => childOf(k).child === child) ?? head;
    // The same kind of box, and further within: rows of a table that hold a table.
    const isDeeper = chain.length - (chains[firstIn(near.child)]?.length ?? 0) > 1;
    if (near.child !== mine.child && near.kind === mine.kind && isDeeper) parents.push(firstIn(near.child));
    else if (near.child === mine.child || near.kind === mine.kind)
      parents.push(parents[firstIn(near.child)] ?? null);
    else if (mine.kind === headKind) parents.push(parents[head] ?? null);
    else {
      const over = [...before].reverse().find((k) => childOf(k).kind === headKind) ?? head;
      parents.push(firstIn(childOf(over).child));
    }
  }
  return parents;
}

function indented(indents: readonly number[], i: number): number | null {
  for (let k = i - 1; k >= 0; k -= 1) if ((indents[k] ?? 0) < (indents[i] ?? 0)) return k;
  return null;
}

const plain = (text: string) =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/** The earlier post that a post quotes, or names as quoted. */
function quotes(page: Page, posts: readonly Known[], texts: readonly string[], i: number): number | null {
  const body = posts[i]?.body ?? [];
  for (const n of body.slice(0, 4)) {
    const line = page.lines[n];
    if (!line) continue;
    const wrote = WROTE.exec(line.text);
    const who = wrote ? nameIn(wrote[1] ?? '') : null;
    const by = who ? lastBy(posts, who.name, i) : null;
    if (by !== null) return by;
    const said = line.quoted > 0 || /^["“]/u.test(line.text) ? plain(line.text) : '';
    if (said.split(' ').length < 5) continue;
    for (let k = i - 1; k >= 0; k -= 1) if (texts[k]?.includes(said)) return k;
  }
  return null;
}

/**
 * Of a mail that was passed on: the newest stands on top, and each one under it is what it answers, quoted once more. Null where a page is no
 * such mail.
 * @example quotedBackwards(page, posts) // null, where the page is no mail that was passed on
 */
export function quotedBackwards(page: Page, posts: readonly Known[]): Answers[] | null {
  const depths = posts.map((p) => Math.max(0, ...p.body.map((n) => page.lines[n]?.quoted ?? 0)));
  if (posts.length < 2 || !depths.every((d, i) => d === i)) return null;
  return posts.map((_, i) =>
    i + 1 < posts.length ? { parent: i + 1, because: 'quoted' } : { parent: null, because: null },
  );
}

const OUTLINE = /^(\d+(?:\.\d+)*)[.)]?\s/u;

/** Where the posts are numbered like an outline (1, 1.1, 1.2, 2), what each stands under; null where they are not. */
function outlined(page: Page, posts: readonly Known[]): (number | null)[] | null {
  const numbers = posts.map(
    (p) => OUTLINE.exec(page.lines[Math.min(...p.anchor.own)]?.text ?? '')?.[1] ?? '',
  );
  if (numbers.some((n) => n === '') || !numbers.some((n) => n.includes('.'))) return null;
  return numbers.map((n) => {
    const over = numbers.indexOf(n.split('.').slice(0, -1).join('.'));
    return n.includes('.') && over >= 0 ? over : null;
  });
}

/**
 * What each post of a page answers. Its own words come first, then links, then where it stands, then whom or what it speaks of.
 * @example parentsOf(page, posts) // [{ parent: null, … }, { parent: 0, because: 'nested' }]
 */
export function parentsOf(page: Page, posts: readonly Known[]): Answers[] {
  const nested = outlined(page, posts) ?? nestings(page, posts);
  const isNested = nested.some((p) => p !== null);
  const placed = posts.map(
    (p) => (page.lines[p.anchor.line]?.indent ?? 0) + cellsBefore(page, p.anchor.line),
  );
  // Headings of several ranks say the same, where nothing else does.
  const ranks = posts.map((p) => Math.max(...[...p.anchor.own].map((n) => page.lines[n]?.heading ?? 0)));
  const indents = new Set(placed).size > 1 || ranks.includes(0) ? placed : ranks;
  // Margins are what a reader sees: where they say how far in, boxes have nothing to say beside them.
  const isIndented = new Set(indents).size > 1;
  const isFlat = !isNested && !isIndented;
  const titles = posts.map((p) => plain(p.title));
  const numbers = numbersOf(page, posts);
  const texts = posts.map((p) => plain(p.body.map((n) => page.lines[n]?.text ?? '').join(' ')));
  const answers: Answers[] = [];
  const answerOf = (post: Known, i: number): Answers => {
    const told = (parent: number | null, because: Because): Answers | null =>
      parent === null || parent === i ? null : { parent, because };
    const { to } = post.anchor;
    const place = isIndented ? indented(indents, i) : (nested[i] ?? null);
    if (to !== null) {
      // Of several posts by whom it names the one it stands beneath.
      const over = place === null ? undefined : posts[place]?.anchor.author?.name;
      if (over && sameName(over, to)) return { parent: place, because: 'named' };
      const by = namedPost(posts, answers, to, i);
      if (by !== null) return { parent: by, because: 'named' };
    }
    const found =
      told(numbered(page, post, numbers, i), 'linked') ??
      told(linked(page, posts, i), 'linked') ??
      told(place, isIndented ? 'indented' : 'nested');
    if (found) return found;
    if (!isFlat) return { parent: null, because: null };
    const quoted = told(quotes(page, posts, texts, i), 'quoted');
    if (quoted) return quoted;
    const subject = subjectOf(post.title);
    if (subject !== null) {
      const of = titles.slice(0, i).lastIndexOf(plain(subject));
      if (of >= 0) return { parent: of, because: 'subject' };
    }
    const first = page.lines[post.body[0] ?? -1]?.text ?? '';
    const called = ADDRESSED.exec(first)?.[1];
    const by = called && i > 0 ? namedPost(posts, answers, called, i) : null;
    return by === null ? { parent: null, because: null } : { parent: by, because: 'addressed' };
  };
  for (const [i, post] of posts.entries()) answers.push(answerOf(post, i));
  return answers;
}
