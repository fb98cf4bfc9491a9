import type { CheckId } from '../brief/brief';
import type { PersonId, PostId } from '../ids';
import { ledger } from './ledger';
import type { Ledger, LedgerInput, Version } from './types';

/**
 * What a shared text lacks once its prompt asks for something else. Nobody is asked for more than was asked when they shared: only what it
 * lacked then and lacks still is lacking, so that a text that met its prompt meets it for ever, and a short one may be mended by asking
 * for less.
 *
 * @param was what it lacked when it was shared
 * @param now what it would lack if it were shared under what is asked now
 * @example unmetAfter(['words'], ['words', 'sources']) // ['words']
 */
export const unmetAfter = (was: readonly CheckId[], now: readonly CheckId[]): CheckId[] =>
  was.filter((check) => now.includes(check));

/**
 * A post's texts under what is asked now, by what each would lack now (in the order of the texts); a text nobody measured anew keeps
 * what it lacked.
 *
 * @example remeasured(versions, new Map([[0, []]])) // the first of them lacks nothing now
 */
export const remeasured = (
  versions: readonly Version[],
  now: ReadonlyMap<number, readonly CheckId[]>,
): Version[] =>
  versions.map((v, i) => {
    const lacks = now.get(i);
    return lacks ? { ...v, unmet: unmetAfter(v.unmet, lacks) } : v;
  });

/** What a change of brief, dates, group, side, extension or excusal does to one student. */
export type Touched = {
  student: PersonId;
  /** Posts that counted and no longer would; and those that did not and would. */
  loses: PostId[];
  gains: PostId[];
  /** How many obligations are counted, late or excused: before, and after. */
  met: { was: number; is: number };
  /** How many there are. */
  owed: { was: number; is: number };
  complete: { was: boolean; is: boolean };
};

const counted = (l: Ledger) => new Set(l.verdicts.filter((v) => v.counted).map((v) => v.post));
const MET = new Set(['counted', 'late', 'excused']);
const met = (l: Ledger) => l.obligations.filter((o) => MET.has(o.state)).length;

/** What a student's account says of what a change would do, whatever was changed: both accounts are computed from scratch. */
function touch(before: LedgerInput, after: LedgerInput): Touched {
  const [was, is] = [ledger(before), ledger(after)];
  const [had, has] = [counted(was), counted(is)];
  return {
    student: after.student,
    loses: [...had].filter((post) => !has.has(post)),
    gains: [...has].filter((post) => !had.has(post)),
    met: { was: met(was), is: met(is) },
    owed: { was: was.obligations.length, is: is.obligations.length },
    complete: { was: was.complete, is: is.complete },
  };
}

const isTouched = (t: Touched) =>
  t.loses.length > 0 ||
  t.gains.length > 0 ||
  t.met.was !== t.met.is ||
  t.owed.was !== t.owed.is ||
  t.complete.was !== t.complete.is;

/**
 * Whom a change touches and how: the one answer for every change that staff can make to what is asked, by when, and of whom.
 *
 * @param pairs each student's account as it is, and as it would be
 * @returns those for whom anything would be other; nobody else
 * @example three replies asked for instead of two touch everybody who was complete
 */
export const touchedBy = (pairs: readonly { before: LedgerInput; after: LedgerInput }[]): Touched[] =>
  pairs.map(({ before, after }) => touch(before, after)).filter(isTouched);

/**
 * Whether a change takes something from a student: a post no longer counts, something that was met is met no more, or who was
 * complete is not.
 * @example one more reply is asked for: true for whoever was complete
 */
export const isWorse = (t: Touched): boolean =>
  t.loses.length > 0 || t.met.is < t.met.was || (t.complete.was && !t.complete.is);
