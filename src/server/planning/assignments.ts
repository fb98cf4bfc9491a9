import type { Instant } from '@/core/ids';
import type { Pace } from '@/core/planning/pace';
import { assignmentsOf, type Assignment } from '@/core/planning/tasks';
import type { CheckFigure } from '@/core/checks/types';
import type { DiscussionRecord } from '@/db/queries/discussions';
import type { WordsToRead } from '@/db/queries/planning';
import type { Account } from '../access/enter';

type Begun = { kind: 'response' | 'reply'; checks: CheckFigure[] };

/** What one discussion still asks of a student, with how long it is likely to take; nothing of anybody else. */
export function assignmentsIn(
  found: {
    record: DiscussionRecord;
    account: Account;
    drafts: readonly Begun[];
    unread: WordsToRead;
  },
  pace: Pace,
  now: Instant,
): Assignment[] {
  const { record, account, drafts, unread } = found;
  if (!account.ledger) return [];
  const draft = drafts.find((d) => d.kind === 'response');
  const reading = unread.find((u) => u.course === record.course.id && u.week === record.week.number);
  return assignmentsOf(
    {
      slug: record.slug,
      brief: record.brief,
      schedule: account.schedule,
      ledger: account.ledger,
      draftWords: draft?.checks.find((c) => c.id === 'words')?.have ?? 0,
      wordsToRead: reading?.words ?? 0,
    },
    pace,
    now,
  );
}
