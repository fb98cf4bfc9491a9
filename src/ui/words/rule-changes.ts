import { plural } from './plural';
import { wallText } from './time';
import { FIELD_NAMES } from './outside';
import type { RuleChange } from '@/core/outside/rule-changes';

const LATE: Record<string, string> = {
  '': 'not spoken of',
  refused: 'refused',
  penalty: 'loses something each day',
  accepted: 'accepted',
};

function valueText(field: RuleChange['field'], value: string): string {
  if (field === 'late') return LATE[value] ?? value;
  if (value === '') return 'not asked for';
  if (value === 'on') return 'yes';
  if (field === 'responseDue' || field === 'repliesDue') return wallText(value);
  if (field === 'parts') return plural(value.split('\n').length, 'question');
  return value.replace(/\n/gu, '; ');
}

/** A rule that was changed: what it is called, what it was and what it is now. */
export const ruleChangeText = ({ field, was, is }: RuleChange) => ({
  name: FIELD_NAMES[field],
  was: valueText(field, was),
  is: valueText(field, is),
});
