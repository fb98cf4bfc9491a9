import type { Instant } from '../ids';

/** A page of the notebook: what is noted of a discussion, or of a whole course where it has no week. */
export type NotebookPage = {
  /** The name in addresses of what it is noted of. */
  slug: string;
  title: string;
  course: { code: string; slug: string; title: string };
  week: number | null;
  note: { body: string; keptAt: Instant } | null;
  /** A response of one's own can still be written there, so that the note can go into its draft. */
  writing: boolean;
};

const wordsOf = (typed: string) =>
  typed
    .toLocaleLowerCase()
    .split(/\s+/u)
    .filter((w) => w !== '');

/**
 * The pages that hold all the words that are looked for, in the note or in what it is of; all of them where none are.
 *
 * @example pagesWith([…], 'gauge 2019') // those whose note or title holds both
 */
export function pagesWith(pages: readonly NotebookPage[], typed: string): NotebookPage[] {
  const words = wordsOf(typed);
  return pages.filter(({ title, note }) => {
    const text = `${title}\n${note?.body ?? ''}`.toLocaleLowerCase();
    return words.length === 0 || (note !== null && words.every((w) => text.includes(w)));
  });
}

/**
 * The notebook as a file to take along: Markdown, a heading for each course and each page that holds something.
 *
 * @param called what the page of a whole course is called
 * @example notebookAsMarkdown([…], 'The course') // '# GEO 115 …\n\n## Week 6: …\n\n…'
 */
export function notebookAsMarkdown(pages: readonly NotebookPage[], called: string): string {
  const written = pages.filter((p) => p.note !== null && p.note.body.trim() !== '');
  const lines: string[] = [];
  let course = '';
  for (const { course: of, week, title, note } of written) {
    if (of.slug !== course) lines.push(`# ${of.code} ${of.title}`, '');
    course = of.slug;
    lines.push(`## ${week === null ? called : `Week ${week}: ${title}`}`, '', note?.body.trim() ?? '', '');
  }
  return lines.join('\n');
}
