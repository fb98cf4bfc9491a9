'use client';

import { useActionState } from 'react';
import { NOTHING_TOLD, troubleOf, type TellingAction } from './told';

/** A form that gives back what was typed into it, with what is wrong. */
export function useTold(action: TellingAction, fields: Readonly<Record<string, string>> = {}) {
  const [told, act, sending] = useActionState(action, { ...NOTHING_TOLD, fields });
  return { act, sending, trouble: troubleOf(told), of: (name: string) => told.fields[name] ?? '' };
}
