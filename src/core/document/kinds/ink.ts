import { z } from 'zod';
import type { MarkKind } from '../kind';
import { INKS, type Ink } from '../limits';
import type { Mark } from '../nodes';

const isInk = (name: unknown): name is Ink => INKS.some((ink) => ink === name);

/** The inks on white paper, for the formats that name colours by their numbers. */
export const COLOURS: Record<Ink, string> = {
  pine: '#17493f',
  ochre: '#7a4e00',
  brick: '#a5341d',
  sky: '#2f5d86',
};

/**
 * The ink of a colour as other formats name it; null for any other colour.
 * @example inkOfColour('#A5341D') // 'brick'
 */
export const inkOfColour = (colour: string): Ink | null =>
  INKS.find((name) => COLOURS[name] === colour.trim().toLowerCase()) ?? null;

/** Words in one of a few inks. Elsewhere they have its colour, where the format has colours. */
export const ink: MarkKind<Extract<Mark, { type: 'ink' }>> = {
  type: 'ink',
  spec: { attrs: { name: { default: null } } },
  json: z.strictObject({ type: z.literal('ink'), attrs: z.strictObject({ name: z.enum(INKS) }) }),
  tidy: ({ name }) => (isInk(name) ? { name } : null),
  html: (words, { attrs }) => `<span style="color:${COLOURS[attrs.name]}">${words}</span>`,
  markdown: (words) => words,
  office: ({ attrs }) => ({ colour: COLOURS[attrs.name] }),
};
