import { z } from 'zod';
import type { InlineNode } from '../document/nodes';

export const STYLES = ['apa', 'mla', 'chicago'] as const;
export type CitationStyle = (typeof STYLES)[number];

const text = z.string().trim().min(1).max(1_000);
const short = z.string().trim().min(1).max(200);
const name = z
  .object({
    family: short.optional().catch(undefined),
    given: short.optional().catch(undefined),
    suffix: short.optional().catch(undefined),
    'non-dropping-particle': short.optional().catch(undefined),
    'dropping-particle': short.optional().catch(undefined),
    literal: short.optional().catch(undefined),
  })
  .transform(
    (said) =>
      Object.fromEntries(Object.entries(said).filter(([, part]) => part !== undefined)) as typeof said,
  );
/** A name that says nothing, and "and others", are left out. */
const names = z
  .array(name)
  .max(50)
  .transform((all) =>
    all.filter(
      (n) =>
        (n.family ?? n.literal ?? n.given) !== undefined && !/^others$/iu.test(n.family ?? n.literal ?? ''),
    ),
  )
  .transform((all) => (all.length ? all : undefined));
const parts = z.object({
  'date-parts': z
    .array(z.array(z.coerce.number().int().min(0).max(9_999)).min(1).max(3))
    .min(1)
    .max(2),
});
/** A date in words, of which the year is kept: "circa 1890", "Spring 2019". */
const worded = z
  .object({ raw: z.string().optional(), literal: z.string().optional() })
  .transform((said, context) => {
    const year = /\b(\d{4})\b/u.exec(said.raw ?? said.literal ?? '')?.[1];
    const iso = /^(\d{4})-(\d{1,2})(?:-(\d{1,2}))?$/u.exec((said.raw ?? '').trim());
    if (iso) return { 'date-parts': [iso.slice(1).filter(Boolean).map(Number)] };
    if (year) return { 'date-parts': [[Number(year)]] };
    context.addIssue('no year');
    return z.NEVER;
  });
// A date that cannot be read costs no source.
const date = z.union([parts, worded]).optional().catch(undefined);
const doi = z
  .string()
  .transform((said) => said.trim().replace(/^(?:doi:\s*|https?:\/\/(?:dx\.)?doi\.org\/)/iu, ''))
  .pipe(z.string().regex(/^10\.\d{4,9}\/\S{1,300}$/u))
  .optional()
  .catch(undefined);

/** The parts of a CSL-JSON record that a shelf keeps; whatever else a file holds is left out. */
export const sourceItemSchema = z
  .object({
    type: z
      .string()
      .regex(/^[a-z-]{1,40}$/u)
      .default('document'),
    title: text,
    author: names.optional(),
    editor: names.optional(),
    issued: date,
    accessed: date,
    'container-title': text.optional(),
    publisher: text.optional(),
    'publisher-place': short.optional(),
    volume: z.coerce.string().max(40).optional(),
    issue: z.coerce.string().max(40).optional(),
    page: z.coerce.string().max(60).optional(),
    edition: z.coerce.string().max(60).optional(),
    DOI: doi,
    URL: z
      .string()
      .max(2_000)
      .regex(/^https?:\/\/\S+$/iu)
      .optional(),
  })
  .transform((item) => item);
export type SourceItem = z.infer<typeof sourceItemSchema>;

/** How a source is cited in one style: within the text, and as an entry of the reference list. */
export type Cited = { inText: string; reference: InlineNode[] };

/** What was pasted to make a source of. */
export type PastedSource =
  | { kind: 'bibtex'; text: string }
  | { kind: 'ris'; text: string }
  | { kind: 'csl'; items: unknown[] }
  | { kind: 'doi'; doi: string }
  | { kind: 'link'; url: string }
  | { kind: 'none' };

/**
 * Tells what a pasted text is. It is only looked at: nothing is fetched.
 * @example pastedSource('doi:10.5555/tidewell') // a DOI
 */
export function pastedSource(pasted: string): PastedSource {
  const said = pasted.trim();
  if (/^TY {1,2}- /mu.test(said)) return { kind: 'ris', text: said };
  if (/^[[{]/u.test(said)) {
    try {
      const value: unknown = JSON.parse(said);
      return { kind: 'csl', items: Array.isArray(value) ? (value as unknown[]) : [value] };
    } catch {
      return { kind: 'none' };
    }
  }
  if (/@[a-z]+\s*[{(]/iu.test(said)) return { kind: 'bibtex', text: said };
  const found = /^(?:doi:\s*|https?:\/\/(?:dx\.)?doi\.org\/)?(10\.\d{4,9}\/[^\s"<>]+)$/iu.exec(said)?.[1];
  if (found) return { kind: 'doi', doi: found };
  return /^https?:\/\/\S+$/iu.test(said) ? { kind: 'link', url: said } : { kind: 'none' };
}

/** A writer's name as it is typed: "Holt, Maren", "Maren Holt", or a body's name. @example nameOf('Maren Holt') */
export function nameOf(typed: string): { family: string; given: string } | { literal: string } {
  const [family, given] = typed.split(',').map((s) => s.trim());
  if (family && given) return { family, given };
  const parts = typed.trim().split(/\s+/u);
  const last = parts.pop() ?? '';
  const isPerson =
    parts.length >= 1 &&
    parts.length <= 2 &&
    !/\b(?:of|the|and|for|council|college|group|survey)\b/iu.test(typed);
  return isPerson ? { family: last, given: parts.join(' ') } : { literal: typed.trim() };
}
