'use client';

import { useState, type FormEvent } from 'react';
import { FIELDS, type Field, type Fields } from '@/core/outside/fields';
import type { Usual } from '@/core/desk/usual';

/** What is the course's, or only a name: no text is asked about it. */
const NOT_SAID: readonly Field[] = ['title', 'course', 'zone', 'week'];

const isSame = (field: Field, a: string, b: string): boolean =>
  field === 'parts'
    ? a.split('\n').filter(Boolean).length === b.split('\n').filter(Boolean).length
    : a.trim().toLowerCase() === b.trim().toLowerCase();

/** What a field of a form holds: of a box that is ticked 'on', else its text. */
const heldBy = (input: HTMLInputElement): string =>
  input.type === 'checkbox' ? (input.checked ? 'on' : '') : input.value;

/**
 * The fields of a brief while its prompt is written. One that nobody has typed into says what the text says, where it follows it; of
 * one that says something else, what the text says stands beside it until that is settled.
 */
export function useBriefValues(of: {
  given: Fields;
  /** What the text is read as, as it stands now. */
  text: Fields;
  follows: boolean;
  /** What the text may say: taken where somebody says that it does. */
  asked: Fields;
  /** The text is being written: what it says otherwise is shown. */
  watches: boolean;
}) {
  const { given, text, asked, follows, watches } = of;
  /** What was typed, and what stood there before: a field is not drawn anew under somebody's hands. */
  const [typed, setTyped] = useState<Partial<Record<Field, { stood: string; now: string }>>>({});
  const [taken, setTaken] = useState<Fields>({});
  const [left, setLeft] = useState<readonly Field[]>([]);
  /** How often the text's word was taken: a field is drawn anew also where it had held that before. */
  const [turns, setTurns] = useState<Partial<Record<Field, number>>>({});

  // Given back by the server, what was typed is what stands there now.
  const [from, setFrom] = useState(given);
  if (from !== given) {
    setFrom(given);
    setTyped({});
    setTaken({});
  }

  const standing = (field: Field): string => taken[field] ?? ((follows && text[field]) || given[field] || '');
  const fields: Fields = {};
  const nowSaid: Fields = {};
  const says: Partial<Record<Field, string>> = {};
  const unsure: Partial<Record<Field, string>> = {};
  for (const field of FIELDS) {
    const stood = typed[field]?.stood ?? standing(field);
    if (stood !== '') fields[field] = stood;
    const said = text[field];
    const now = typed[field]?.now ?? stood;
    if (now !== '') nowSaid[field] = now;
    if (watches && said && !NOT_SAID.includes(field) && !isSame(field, said, now)) says[field] = said;
    const isOpen = said === undefined && !typed[field] && !left.includes(field);
    const maybe = isOpen ? asked[field] : undefined;
    if (maybe && !isSame(field, maybe, now)) unsure[field] = maybe;
  }
  return {
    fields,
    /** What stands in each of them as it is typed. */
    now: nowSaid,
    left,
    says,
    unsure,
    turns,
    /** Of what the text leaves unsaid, what still stands as it was filled in. */
    usualOf: (like: Usual['like']): Usual['like'] =>
      Object.fromEntries(
        Object.entries(like).filter(([f]) => text[f as Field] === undefined && !typed[f as Field]),
      ),
    typed: (event: FormEvent<HTMLFormElement>) => {
      const input = event.target as HTMLInputElement;
      const field = FIELDS.find((f) => f === input.name);
      if (!field) return;
      const now = heldBy(input);
      setTyped((before) => ({
        ...before,
        [field]: { stood: before[field]?.stood ?? standing(field), now },
      }));
    },
    leave: (field: Field) => setLeft((before) => [...before, field]),
    take: (field: Field) => {
      const said = text[field] ?? asked[field];
      if (said === undefined) return;
      setTaken((before) => ({ ...before, [field]: said }));
      setTurns((before) => ({ ...before, [field]: (before[field] ?? 0) + 1 }));
      setTyped(({ [field]: _, ...rest }) => rest);
    },
  };
}
