import Papa from 'papaparse';
import type { Role } from '../ids';
import { mailAddressSchema, personNameSchema } from './naming';

/** Why a line of a roster cannot be used; `doubled` names the line that has the same address. */
export type RosterProblem =
  | { code: 'no-address' }
  | { code: 'bad-address' }
  | { code: 'no-name' }
  | { code: 'long-name' }
  | { code: 'formula' }
  | { code: 'bad-role' }
  | { code: 'doubled'; line: number };

export type RosterLine = {
  /** Which row of the file it is, from 1. */
  line: number;
  name: string;
  email: string;
  role: Role;
  problem: RosterProblem | null;
};

export type Roster =
  | { code: 'read'; lines: RosterLine[]; /** Lines beyond the most that are read. */ left: number }
  | { code: 'no-columns'; found: string[] }
  | { code: 'empty' };

/** More lines than the largest course has people. */
export const MOST_ROSTER_LINES = 5_000;

const HEADS = {
  email: /^(?:e-?mail|mail|mail address|e-?mail address|address)$/iu,
  name: /^(?:name|full name|student|person)$/iu,
  first: /^(?:first name|given names?|forename)$/iu,
  last: /^(?:last name|family name|surname)$/iu,
  role: /^(?:role|as)$/iu,
} as const;
type Column = keyof typeof HEADS;

const ROLES: Record<string, Role> = {
  '': 'student',
  student: 'student',
  learner: 'student',
  instructor: 'instructor',
  teacher: 'instructor',
  assistant: 'assistant',
  'teaching assistant': 'assistant',
  observer: 'observer',
};

/** What a spreadsheet would work out instead of showing. */
const FORMULA = /^[=+@\t\r-]/u;

/** Which columns a head names; without a head of such names the first two cells are told apart by the sign in an address. */
function columnsOf(
  first: readonly string[],
): { columns: Partial<Record<Column, number>>; head: boolean } | null {
  const columns: Partial<Record<Column, number>> = {};
  first.forEach((cell, i) => {
    for (const column of Object.keys(HEADS) as Column[])
      if (columns[column] === undefined && HEADS[column].test(cell.trim())) columns[column] = i;
  });
  const named = columns.name !== undefined || columns.first !== undefined || columns.last !== undefined;
  if (columns.email !== undefined && named) return { columns, head: true };
  const email = first.findIndex((cell) => mailAddressSchema.safeParse(cell).success);
  if (email < 0 || first.length < 2) return null;
  return { columns: { email, name: email === 0 ? 1 : 0 }, head: false };
}

function problemOf(name: string, email: string, role: Role | undefined): RosterProblem | null {
  if (email === '') return { code: 'no-address' };
  if (FORMULA.test(email) || FORMULA.test(name)) return { code: 'formula' };
  if (!mailAddressSchema.safeParse(email).success) return { code: 'bad-address' };
  if (name === '') return { code: 'no-name' };
  if (!personNameSchema.safeParse(name).success) return { code: 'long-name' };
  return role ? null : { code: 'bad-role' };
}

/**
 * Reads a roster (RFC 4180; semicolons and tabs as well): for each line who it names and in which role, or why it cannot be used. The
 * columns are found by their names in any order, or without a head by which cell is an address. Nothing is left out silently.
 *
 * @example readRoster('name,mail\nImani Okoro,imani@tidewell.example') // one line, a student
 */
export function readRoster(text: string): Roster {
  const bare = text.replace(/^\uFEFF/u, '');
  // Empty lines say nothing of what stands between cells, and have to stay for the rows to be counted.
  const { delimiter } = Papa.parse(bare, { preview: 50, skipEmptyLines: 'greedy' }).meta;
  const { data } = Papa.parse<string[]>(bare, { delimiter });
  const rows = data
    .map((cells, i) => ({ cells: cells.map((cell) => cell.replace(/\s+/gu, ' ').trim()), line: i + 1 }))
    .filter(({ cells }) => cells.some(Boolean));
  const [first] = rows;
  if (!first) return { code: 'empty' };
  const found = columnsOf(first.cells);
  if (!found) return { code: 'no-columns', found: first.cells.slice(0, 12) };
  const { columns, head } = found;
  const people = head ? rows.slice(1) : rows;
  if (people.length === 0) return { code: 'empty' };
  const seen = new Map<string, number>();
  const lines = people.slice(0, MOST_ROSTER_LINES).map(({ cells, line }): RosterLine => {
    const cell = (column: Column) => (columns[column] === undefined ? '' : (cells[columns[column]] ?? ''));
    const name = cell('name') || `${cell('first')} ${cell('last')}`.trim();
    const email = cell('email');
    const role = ROLES[cell('role').toLowerCase()];
    const before = seen.get(email.toLowerCase());
    const problem =
      problemOf(name, email, role) ?? (before ? { code: 'doubled' as const, line: before } : null);
    if (!problem) seen.set(email.toLowerCase(), line);
    return { line, name: name.slice(0, 200), email: email.slice(0, 320), role: role ?? 'student', problem };
  });
  return { code: 'read', lines, left: Math.max(0, people.length - MOST_ROSTER_LINES) };
}
