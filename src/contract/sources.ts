import { z } from 'zod';
import type { CitationStyle, Cited } from '@/core/sources/item';
import { answersWith } from './endpoint';
import type { NotRead } from '@/contract/not-read';

/** As which files a shelf can be taken along: BibTeX, CSL-JSON, RIS. */
export const SHELF_FORMS = ['bib', 'json', 'ris'] as const;
export type ShelfForm = (typeof SHELF_FORMS)[number];

export type Shelf = {
  sources: { id: string; title: string; cited: Record<CitationStyle, Cited> }[];
  /** Readings of the course that are not on the shelf yet, those of the discussion's week first. */
  readings: { slug: string; title: string; author: string }[];
};

/** One's sources in a course, each as the styles cite it. */
export const shelving = answersWith<Shelf, NotRead>()('GET', '/discussions/:slug/sources');

export const newSourceSchema = z.union([
  z.strictObject({ reading: z.string().max(200) }),
  z.strictObject({
    pasted: z.string().max(200_000),
    title: z.string().trim().max(1_000).default(''),
    author: z.string().trim().max(500).default(''),
    year: z.string().trim().max(10).default(''),
  }),
]);
export type NewSource = z.infer<typeof newSourceSchema>;
export type SourceFailure =
  { code: 'not-found' } | NotRead | { code: 'no-source' } | { code: 'no-title' } | { code: 'shelf-full' };

/** Puts sources on the shelf; `unreadable` had no title. */
export const addingSource = answersWith<{ added: number; unreadable: number }, SourceFailure>()(
  'POST',
  '/discussions/:slug/sources',
  newSourceSchema,
);

/** Takes one off it. */
export const takingSource = answersWith<null>()(
  'DELETE',
  '/discussions/:slug/sources',
  z.object({ id: z.string().max(100) }),
);
