import { redirect } from 'next/navigation';
import { nextAt, roomAt, weekAt } from '@/contract/addresses';
import { summarise } from '@/core/counting/summary';
import { thisWeek } from '@/server/week/this-week';
import { standing } from '@/ui/words/status';
import { requireVisitor } from '../_request/session';

/** Leads to what is owed first: from a device's own menu, where one asks for what is next. */
export default async function NextPage() {
  const who = await requireVisitor(nextAt());
  const { lines, now } = await thisWeek(who.deps, who.actor);
  const [first] = lines
    .flatMap((line) => {
      const next = line.ledger && summarise(line.ledger, now).next;
      return next ? [{ line, due: next.deadline.due }] : [];
    })
    .sort((a, b) => a.due - b.due);
  redirect(first ? roomAt(first.line.slug, standing(first.line, now).action.room) : weekAt());
}
