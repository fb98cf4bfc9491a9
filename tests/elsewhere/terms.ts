import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { documentOf } from '@/core/formats/as-document';
import { termOf } from '@/core/elsewhere/syllabus';
import { z } from 'zod';

const wall = z.string().nullable();
/** What a syllabus says, as somebody wrote it down before anything read it. */
const labels = z.record(
  z.string(),
  z.object({
    course: z.string(),
    rules: z.record(z.string(), z.string()),
    rows: z.array(z.tuple([z.string(), z.number().nullable(), wall, wall])),
  }),
);
type Label = z.infer<typeof labels>[string];

const bare = (text: string) =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/** How many of the labelled discussions were found with their titles, their weeks and both deadlines; and what was found beside them. */
export function scoreTerm(text: string, label: Label) {
  const term = termOf(documentOf(text), '2026-09-01T08:00');
  const found = label.rows.map(([title, week, response, replies]) => {
    const row = term.rows.find((r) => bare(r.title).includes(bare(title)));
    return {
      title,
      row: row ?? null,
      whole:
        row !== undefined && row.week === week && row.responseDue === response && row.repliesDue === replies,
    };
  });
  return {
    course: term.course.startsWith(label.course),
    rules: Object.entries(label.rules).filter(
      ([field, value]) => (term.rules as Record<string, string>)[field] !== value,
    ),
    named: found.filter((f) => f.row).length,
    whole: found.filter((f) => f.whole).length,
    of: label.rows.length,
    beside: Math.max(0, term.rows.length - found.filter((f) => f.row).length),
    wrong: found.filter((f) => !f.whole),
    term,
  };
}

export function termsIn(folder: string) {
  const here = join('tests/elsewhere', folder);
  const said = labels.parse(JSON.parse(readFileSync(`${here}.json`, 'utf8')));
  return readdirSync(here)
    .sort()
    .flatMap((name) =>
      said[name] ? [{ name, text: readFileSync(join(here, name), 'utf8'), label: said[name] }] : [],
    );
}
