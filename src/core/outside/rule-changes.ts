import { FIELDS, type Field, type OutsideRules } from './fields';
import { fieldsOfRules } from './fields-of-rules';

/** A rule that is another than it was; empty where it is, or was, not asked for. */
export type RuleChange = { field: Field; was: string; is: string };

/** What is a course's, not a prompt's. */
const OF_THE_COURSE: readonly Field[] = ['course', 'zone', 'week'];

/**
 * What two states of a prompt's rules differ by, field by field in the order of the form.
 * @example 250 words asked for, then 200 // [{ field: 'response.words.min', was: '250', is: '200' }]
 */
export function ruleChanges(before: OutsideRules, after: OutsideRules): RuleChange[] {
  const [was, is] = [fieldsOfRules(before), fieldsOfRules(after)];
  return FIELDS.filter((f) => !OF_THE_COURSE.includes(f) && (was[f] ?? '') !== (is[f] ?? '')).map(
    (field) => ({
      field,
      was: was[field] ?? '',
      is: is[field] ?? '',
    }),
  );
}
