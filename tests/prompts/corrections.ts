import { FIELDS, type Field, type Fields } from '@/core/outside/fields';
import { weekdayOf } from '@/core/deadlines/wallclock';

/** What a label says of a prompt, fact by fact, as the fields of the form would say it. */
function factsOf(value: unknown, path = ''): [string, string][] {
  if (value === null || value === undefined || value === false) return [];
  if (path.endsWith('.media'))
    return (value as { kind: string; min?: number }[]).map((m) => [`${path}.${m.kind}`, String(m.min ?? 1)]);
  if (typeof value === 'object')
    return Object.entries(value).flatMap(([key, v]) => factsOf(v, path ? `${path}.${key}` : key));
  return [[path, value === true ? 'on' : String(value)]];
}

const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];
const isField = (name: string): name is Field => (FIELDS as readonly string[]).includes(name);

/** What a form says of a fact; undefined where it has no field for it. */
function saidOf(fields: Fields, fact: string): string | undefined {
  const [side, which, bound] = fact.split('.');
  if (side === 'due') {
    const wall = fields[which === 'response' ? 'responseDue' : 'repliesDue'] ?? '';
    if (wall === '') return '';
    if (bound === 'weekday') return WEEKDAYS[weekdayOf(wall) - 1];
    return bound === 'date' ? wall.slice(5, 10) : wall.slice(11, 16);
  }
  if (fact === 'response.parts') return String((fields.parts ?? '').split('\n').filter(Boolean).length || '');
  return isField(fact) ? (fields[fact] ?? '') : undefined;
}

const plain = (text: string) =>
  text
    .trim()
    .toLowerCase()
    .replace(/[.\s]+$/u, '');

/**
 * What of a form somebody has to correct by hand until it says what the prompt's label says: what is missing or other, and what is
 * filled in that the prompt does not ask for (`read`: fields that were read out of its text).
 */
export function corrections(fields: Fields, read: readonly string[], gold: object): string[] {
  const wanted = factsOf(gold);
  const wrong = wanted.flatMap(([fact, value]) => {
    const said = saidOf(fields, fact);
    return said === undefined || plain(said) === plain(value)
      ? []
      : [`${fact}: ${said || 'nothing'}, not ${value}`];
  });
  const asked = new Set(wanted.map(([fact]) => fact));
  const NOT_ASKED = new Set([
    'title',
    'course',
    'week',
    'zone',
    'responseDue',
    'repliesDue',
    'points',
    'parts',
    'concepts',
  ]);
  const extra = read.filter(
    (field) =>
      !NOT_ASKED.has(field) && !field.startsWith('late.') && !asked.has(field) && fields[field as Field],
  );
  return [...wrong, ...extra.map((field) => `${field}: not asked for`)];
}
