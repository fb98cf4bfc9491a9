import 'server-only';
import { FIELDS, type Fields } from '@/core/outside/fields';

const LONGEST_FIELD = 20_000;

/** The fields of a brief's form as text; one that is not a field of it is not looked at. */
export function briefFields(form: FormData): Fields {
  const fields: Fields = {};
  for (const field of FIELDS) {
    const value = form.get(field);
    if (typeof value === 'string' && value !== '') fields[field] = value.slice(0, LONGEST_FIELD);
  }
  return fields;
}
