import { z } from 'zod';
import { typedWall } from '@/core/deadlines/typed';
import { storable } from '@/core/document/document';

/** What the desk's forms have in common, as it is read. */

/** Why something is done: a sentence, or nothing. */
export const reason = z
  .string()
  .max(600)
  .transform((text) => storable(text).trim())
  .default('');

/** A date and a time as somebody types them; empty where nothing was said. */
export const when = z.string().max(40).transform(typedWall).default('');

/** What an act does to students was seen: the stamp of it. */
export const sure = z.string().max(64).optional();

/** For whom: ids of people. */
export const people = z.array(z.uuid()).max(500);

/** One line of so many letters. */
export const line = (least: number, most: number) =>
  z
    .string()
    .transform((text) => storable(text).replace(/\s+/gu, ' ').trim())
    .pipe(z.string().min(least).max(most));

/** How much more time there is all term. */
export const hours = z.coerce.number().int().min(1).max(336);
