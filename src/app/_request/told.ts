import 'server-only';
import type { z } from 'zod';
import type { Told } from '@/ui/people/told';
import { storable } from '@/core/document/document';

const LONGEST_FIELD = 1_000;

/** The fields of a form as text, and what comes back of them where something is wrong: no password ever does. */
export function typedIn(form: FormData): { all: Record<string, string>; back: Record<string, string> } {
  const all: Record<string, string> = {};
  for (const [name, value] of form)
    if (typeof value === 'string') all[name] = storable(value.slice(0, LONGEST_FIELD));
  const back = Object.fromEntries(Object.entries(all).filter(([name]) => !/password/iu.test(name)));
  return { all, back };
}

/** Reads a form, or gives it back. */
export function readTold<S extends z.ZodType>(
  schema: S,
  form: FormData,
): { ok: true; value: z.output<S>; back: Told['fields'] } | { ok: false; told: Told } {
  const { all, back } = typedIn(form);
  const read = schema.safeParse(all);
  return read.success
    ? { ok: true, value: read.data, back }
    : { ok: false, told: { fields: back, problem: { code: 'fields' } } };
}
