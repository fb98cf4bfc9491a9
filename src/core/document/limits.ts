import { z } from 'zod';

/** How much a post's text may hold. */
export const LIMITS = {
  bytes: 400_000,
  depth: 12,
  nodes: 8_000,
  titleLength: 200,
  hrefLength: 2_000,
  latexLength: 1_000,
  indent: 4,
  altLength: 500,
  captionLength: 300,
  noteLength: 2_000,
  clipMs: 180_000,
  fileNameLength: 120,
  siteLength: 80,
} as const;

/** An address that may stand in a text: one of the web or of mail, and nothing that could run. */
export const safeHref = z
  .string()
  .max(LIMITS.hrefLength)
  .regex(/^(https?:\/\/|mailto:)[^\s<>"'`\\]+$/iu);

/** The inks a writer may choose: names of the palette's, so that each is readable on light paper and on dark. */
export const INKS = ['pine', 'ochre', 'brick', 'sky'] as const;
export type Ink = (typeof INKS)[number];
