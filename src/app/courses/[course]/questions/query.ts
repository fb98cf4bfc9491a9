import { QUESTION_FILTERS } from '@/contract/questions';
import { AUDIENCES, COVERS, QUESTION_KINDS, aboutSchema, type Asking } from '@/core/questions/asking';
import { z } from 'zod';

const json = z
  .string()
  .max(1_000)
  .transform((text, context) => {
    try {
      return JSON.parse(text) as unknown;
    } catch {
      context.addIssue('no JSON');
      return z.NEVER;
    }
  })
  .pipe(aboutSchema);

const query = z.object({
  show: z.enum(QUESTION_FILTERS).catch('all'),
  week: z.coerce.number().int().positive().nullable().catch(null),
  label: z.string().max(40).nullable().catch(null),
  page: z.coerce.number().int().positive().catch(1),
  post: z.coerce.number().int().positive().nullable().catch(null),
  /** The page to ask on, with what is chosen there. */
  ask: z.enum(QUESTION_KINDS).nullable().catch(null),
  to: z.enum(AUDIENCES).catch('everybody'),
  name: z.enum(COVERS).catch('no'),
  about: json.nullable().catch(null),
});

/** What the address of the questions of a course asks for. */
export function askedOf(search: Record<string, string | undefined>) {
  const { ask, to, name, about, ...rest } = query.parse(search);
  const asking: Asking | null = ask && { kind: ask, audience: to, cover: name, about };
  return { ...rest, ask: asking };
}
