import type { Fading } from '@/contract/rhythm';
import type { Balance } from '@/core/counting/types';
import type { Instant } from '@/core/ids';
import { fadeSigns, type Done } from '@/core/rhythm/how-it-goes';
import type { ClassStudent } from '@/db/queries/class';
import type { StudentAccount } from '../desk/as-student';

const HOUR_MS = 3_600_000;

/** What somebody owes in a discussion, met or not. */
const owed = ({ ledger }: StudentAccount<Balance>) => ledger.obligations.filter((o) => o.state !== 'excused');
export const owesSomething = ({ ledger }: StudentAccount<Balance>) =>
  ledger.obligations.some((o) => o.state !== 'excused');
const isMet = (state: string) => state === 'counted' || state === 'late';

/** What somebody did in each discussion that is over for them, the earliest first. */
const doneBy = (accounts: readonly StudentAccount<Balance>[], now: number): Done[] =>
  accounts
    .filter((a) => now >= a.schedule.closes && owesSomething(a))
    .sort((a, b) => a.schedule.closes - b.schedule.closes)
    .map((a) => {
      const all = owed(a);
      const response = all.find((o) => o.kind === 'response' && o.at !== null);
      return {
        met: all.filter((o) => isMet(o.state)).length,
        owed: all.length,
        hours: response?.at == null ? null : (response.deadline.due - response.at) / HOUR_MS,
      };
    });

/** Who of these students fades from the course, by name, with the signs that say so. */
export const fadingOf = (
  students: readonly { student: ClassStudent; accounts: readonly StudentAccount<Balance>[] }[],
  now: Instant,
): Fading[] =>
  students.flatMap(({ student, accounts }): Fading[] => {
    const signs = fadeSigns(doneBy(accounts, now), student.lastSeen, now);
    return signs.length ? [{ id: student.id, name: student.name, signs }] : [];
  });
