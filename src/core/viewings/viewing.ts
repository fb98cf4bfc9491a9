import { z } from 'zod';
import { safeHref } from '../document/limits';
import type { Doc } from '../document/nodes';
import { flatten } from '../document/flatten';

/** Something that a prompt wants watched or listened to before one writes. */
export const viewingSchema = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{1,40}$/u),
  title: z.string().min(1).max(200),
  href: safeHref.optional(),
  minutes: z.number().int().min(1).max(1_000).optional(),
});
export type Viewing = z.infer<typeof viewingSchema>;
export const viewingsSchema = z.array(viewingSchema).max(20);

const ASKED = /\b(?:watch|view|listen to|see the (?:film|video|clip)|hear)\b/iu;
const MINUTES = /\b(\d{1,3})[\s-]*min(?:ute)?s?\b/iu;

/**
 * The films and recordings that a prompt's text sends one to: the links of a line that says "watch" or "listen to".
 * @example "Watch [The breach](https://media.example/1) (9 minutes)" gives its title, address and 9
 */
export function viewingsIn(doc: Doc): Viewing[] {
  const found = flatten(doc).flatMap((line) =>
    ASKED.test(line.text)
      ? line.links.flatMap((link) => {
          const minutes = Number(MINUTES.exec(line.text)?.[1] ?? 0);
          const title = line.text.slice(link.start, link.end).trim();
          return title && /^https?:/iu.test(link.href)
            ? [{ title: title.slice(0, 200), href: link.href, ...(minutes ? { minutes } : {}) }]
            : [];
        })
      : [],
  );
  return found.slice(0, 20).map((v, i) => ({ id: `viewing-${i + 1}`, ...v }));
}
