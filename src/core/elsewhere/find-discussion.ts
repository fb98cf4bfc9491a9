import { paragraphsHtml } from '../document/written';
import { countWords } from '../text/words';
import { anchorsOf, type Anchor } from './anchors';
import { bodiesOf, pageLines, titleIn, withTexts } from './bodies';
import { COURSE } from './course-said';
import { describedIn, type DescribedDiscussion } from './described';
import { htmlOfLines, linesOfHtml, linesOfText, type Page } from './lines';
import { nameIn } from './names';
import { whensIn } from './when';
import { rubricApart } from './rubric-apart';
import { parentsOf, quotedBackwards, type Because, type Known } from './parents';

/** A post of a discussion that is held elsewhere, as a saved page shows it. */
export type FoundPost = {
  author: string;
  /** A role or a title beside the name says that they teach. */
  staff: boolean;
  /** When, on the page's own clock, `YYYY-MM-DDTHH:mm`; or how many minutes before it was saved. */
  wall: string | null;
  ago: number | null;
  /** The place in the list of what it answers; null for the prompt. */
  parent: number | null;
  because: Because | null;
  title: string;
  html: string;
  text: string;
};
export type FoundDiscussion = {
  course: string;
  title: string;
  prompt: { html: string; text: string } | null;
  posts: FoundPost[];
};

const FEW_WORDS = 12;
const SAYS_TO =
  /^[\s[(↳→>@]*(?:in[ -](?:reply|response|answer)[ -]to:?|replying to|responding to|answering|(?:reply|response|answer) to:?|parent:|re:?|to)\s+(.{2,60}?)[\])\s:]*$/iu;
const TOPIC = /^(?:discussion|topic|thread|subject|title)\s*:\s*(.{3,160})$/iu;
/** What stands over a list of posts and is not its prompt. */
const OVER_THE_LIST =
  /^(?:posts?|replies|responses?|comments?|discussion|conversation|thread|all posts?|\d+ (?:posts?|replies|responses?|comments?)|sort(?:ed)? by.*|display.*|home|courses?|forums?|discussions?)$/iu;

/** What of a line that names the course, too, is the title. */
const besideCourse = (text: string) =>
  text
    .split(/\s+[|/·–—-]\s+|:\s+/u)
    .filter((p) => !COURSE.test(p))
    .sort((a, b) => countWords(b) - countWords(a))[0] ?? '';

/** What a page without a heading is called: by a line that says so, by its own name, by the first line that is not the course. */
function titleOf(page: Page, over: readonly number[]): string {
  const texts = over.map((n) => page.lines[n]?.text ?? '');
  const said = texts.map((t) => TOPIC.exec(t)?.[1]).find((t) => t !== undefined);
  const first = texts.map(besideCourse).find((t) => t !== '');
  return (said ?? (besideCourse(page.title) || first || '')).slice(0, 160);
}

/** What stands over the posts: the title, and the words of the prompt. */
function overOf(page: Page, until: number): { title: string; course: string; prompt: number[] } {
  const { lines } = page;
  const over = [...lines.keys()].filter((n) => n < until);
  const headings = over.filter(
    (n) => (lines[n]?.heading ?? 0) > 0 && !OVER_THE_LIST.test(lines[n]?.text ?? ''),
  );
  const course = [page.title, ...over.map((n) => lines[n]?.text ?? '')]
    .map((t) => (t.length < 140 ? COURSE.exec(t) : null))
    .find((m) => m !== null);
  const called = course ? `${course[1]}${course[2] ? ` ${course[2].trim()}` : ''}` : '';
  // The last heading of the highest rank that is not the course's.
  const named = headings.filter(
    (n) => !COURSE.test(lines[n]?.text ?? '') || (lines[n]?.text.length ?? 0) > called.length + 12,
  );
  const rank = Math.min(...named.map((n) => lines[n]?.heading ?? 9));
  const head = named.filter((n) => lines[n]?.heading === rank).at(-1) ?? null;
  const title = head === null ? titleOf(page, over) : (lines[head]?.text ?? '');
  const start = head ?? (over.find((n) => countWords(lines[n]?.text ?? '') >= FEW_WORDS) ?? until) - 1;
  const prompt = over.filter(
    (n) => n > start && !OVER_THE_LIST.test(lines[n]?.text ?? '') && !nameIn(lines[n]?.text ?? ''),
  );
  return { title, course: called, prompt };
}

const wordsOf = (page: Page, lines: readonly number[]) =>
  lines.reduce((sum, n) => sum + countWords(page.lines[n]?.text ?? ''), 0);
const textOf = (page: Page, lines: readonly number[]) =>
  lines.map((n) => page.lines[n]?.text ?? '').join('\n');
const htmlOf = (page: Page, lines: readonly number[]) =>
  htmlOfLines(
    page,
    lines.flatMap((n) => page.lines[n] ?? []),
  );

/** A line at the beginning or the end of a post that says only whom it answers belongs to who and when. */
function answering(page: Page, anchor: Anchor, body: number[]): { anchor: Anchor; body: number[] } {
  for (const n of [...body.slice(0, 2), ...body.slice(-1)]) {
    const said = SAYS_TO.exec(page.lines[n]?.text ?? '')?.[1];
    const who = said === undefined ? null : nameIn(said);
    if (who)
      return {
        anchor: { ...anchor, to: anchor.to ?? who.name, own: new Set([...anchor.own, n]) },
        body: body.filter((b) => b !== n),
      };
  }
  return { anchor, body };
}

/**
 * What of a page is a discussion: its title and course, the prompt, and the posts with who wrote them, when, and what they answer. No page
 * is known by its name: what repeats, what names people and moments, and how it is nested, is all this goes by. `now` is the wall clock of
 * whoever saved it, `YYYY-MM-DDTHH:mm`. A page on which fewer than two people say something has no posts.
 * @example discussionOn(linesOfText('nothing'), '2026-10-15T08:00').posts // none
 */
export function discussionOn(page: Page, now: string): FoundDiscussion {
  const seen = seenOn(page, now);
  const told = describedIn(page.data);
  return told && told.posts.length >= Math.max(2, seen.posts.length) ? asTold(seen, told, now) : seen;
}

const escaped = (text: string) => paragraphsHtml(text.split(/\n+/u));

/** What a page says of itself for machines, where that is no less than what it shows. */
function asTold(seen: FoundDiscussion, told: DescribedDiscussion, now: string): FoundDiscussion {
  return {
    course: seen.course,
    title: told.title || seen.title,
    prompt: told.text ? { html: escaped(told.text), text: told.text } : seen.prompt,
    posts: told.posts.map((p): FoundPost => {
      const who = nameIn(p.author);
      return {
        author: who?.name ?? p.author,
        staff: who?.staff ?? false,
        wall: p.at === null ? null : (whensIn(p.at, 'day', now)[0]?.wall ?? null),
        ago: null,
        parent: p.parent,
        because: p.parent === null ? null : 'linked',
        title: p.title,
        html: escaped(p.text),
        text: p.text,
      };
    }),
  };
}

/** What a reader sees on a page. */
function seenOn(page: Page, now: string): FoundDiscussion {
  const anchors = withTexts(page, anchorsOf(page, now));
  const bodies = bodiesOf(page, anchors);
  const firstLine = anchors[0] ? Math.min(...anchors[0].own, ...(bodies.lines[0] ?? [])) : page.lines.length;
  const over = overOf(page, firstLine);
  const gone = pageLines(page, bodies.lines, anchors);
  const known = anchors.map((found, i): Known => {
    const cleaned = (bodies.lines[i] ?? []).filter((n) => !gone.has(n));
    const { anchor, body } = answering(page, found, cleaned);
    const titled = titleIn(page, body, anchor.own);
    const about = (bodies.whole[i] ?? []).filter((n) => !body.includes(n));
    return {
      anchor,
      body: body.filter((n) => n !== titled),
      about,
      title:
        titled === null ? '' : (page.lines[titled]?.text ?? '').replace(/^(?:subject|title)\s*:\s*/iu, ''),
    };
  });
  const answers = quotedBackwards(page, known) ?? parentsOf(page, known);
  let posts = known.map((k, i): FoundPost => ({
    author: k.anchor.author?.name ?? '',
    staff: k.anchor.author?.staff ?? false,
    wall: k.anchor.when?.wall ?? null,
    ago: k.anchor.when?.ago ?? null,
    parent: answers[i]?.parent ?? null,
    because: answers[i]?.because ?? null,
    title: k.title,
    html: htmlOf(page, k.body),
    text: textOf(page, k.body),
  }));
  // Names and moments without texts are a list of people, or of what happened.
  const saying = posts.filter((p) => countWords(p.text) > 1).length;
  if (saying < 2 || 2 * saying < posts.length) posts = [];
  if (wordsOf(page, over.prompt) >= FEW_WORDS || posts.length < 2)
    return {
      course: over.course,
      title: over.title,
      prompt: over.prompt.length
        ? { html: htmlOf(page, over.prompt), text: textOf(page, over.prompt) }
        : null,
      posts: posts.length < 2 ? [] : posts,
    };
  if (quotedBackwards(page, known)) return { course: over.course, title: over.title, prompt: null, posts };
  return openedBy({ course: over.course, title: over.title, prompt: null, posts });
}

/** Where nothing stands over the posts, the first of them is the prompt if its author teaches, or all others go back to it. */
function openedBy(found: FoundDiscussion): FoundDiscussion {
  const [first, ...rest] = found.posts;
  if (!first || !(first.staff || rest.every((p) => p.parent !== null))) return found;
  return {
    ...found,
    title: first.title || found.title,
    prompt: { html: first.html, text: first.text },
    posts: rest.map((p) => ({ ...p, parent: p.parent === null || p.parent === 0 ? null : p.parent - 1 })),
  };
}

/**
 * The discussion on a page of HTML; a rubric that stands there is of its prompt.
 * @example discussionInHtml('<p>Nothing', '2026-10-15T08:00').posts // []
 */
export function discussionInHtml(html: string, now: string): FoundDiscussion {
  const { html: rest, rubric } = rubricApart(html);
  const found = discussionOn(linesOfHtml(rest), now);
  if (!rubric) return found;
  const { html: over, text } = found.prompt ?? { html: '', text: '' };
  return { ...found, prompt: { html: over + rubric.html, text: `${text}\n${rubric.text}`.trim() } };
}
/**
 * The discussion in a text without markup.
 * @example discussionInText('Nothing', '2026-10-15T08:00').posts // []
 */
export const discussionInText = (text: string, now: string) => discussionOn(linesOfText(text), now);
