import { z } from 'zod';
import type { InlineNode } from '../document/nodes';

export const STYLES = ['apa', 'mla', 'chicago'] as const;
export type CitationStyle = (typeof STYLES)[number];

const text = z.string().trim().min(1).max(1_000);
const short = z.string().trim().min(1).max(200);
const name = z.object({ family: short.optional(), given: short.optional(), literal: short.optional() });
const date = z.object({
  'date-parts': z
    .array(z.array(z.coerce.number().int().min(0).max(9_999)).min(1).max(3))
    .min(1)
    .max(2),
});

/** The parts of a CSL-JSON record that a shelf keeps; whatever else a file holds is left out. */
export const sourceItemSchema = z
  .object({
    type: z
      .string()
      .regex(/^[a-z-]{1,40}$/u)
      .default('document'),
    title: text,
    author: z.array(name).max(50).optional(),
    editor: z.array(name).max(50).optional(),
    issued: date.optional(),
    accessed: date.optional(),
    'container-title': text.optional(),
    publisher: text.optional(),
    'publisher-place': short.optional(),
    volume: z.coerce.string().max(40).optional(),
    issue: z.coerce.string().max(40).optional(),
    page: z.coerce.string().max(60).optional(),
    edition: z.coerce.string().max(60).optional(),
    DOI: z
      .string()
      .regex(/^10\.\d{4,9}\/\S{1,300}$/u)
      .optional(),
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
  if (/^@\w+\s*\{/u.test(said)) return { kind: 'bibtex', text: said };
  if (/^[[{]/u.test(said)) {
    try {
      const value: unknown = JSON.parse(said);
      return { kind: 'csl', items: Array.isArray(value) ? (value as unknown[]) : [value] };
    } catch {
      return { kind: 'none' };
    }
  }
  const doi = /^(?:doi:\s*|https?:\/\/(?:dx\.)?doi\.org\/)?(10\.\d{4,9}\/[^\s"<>]+)$/iu.exec(said)?.[1];
  if (doi) return { kind: 'doi', doi };
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
