import { randomUUID } from 'node:crypto';
import { groupBy } from '@/core/group';
import type { Db } from '@/db/connection';
import { dueNotices, holdDelivering, keepHere, setMails, type DueNotice } from '@/db/queries/deliveries';
import { postMails } from '@/db/queries/mails';
import { postPushes } from '@/db/queries/push';
import type { Deps } from '../deps';

const PEOPLE = 500;

/** What goes together: an announcement is a mail of its own, everything else of a moment is one. */
function bundles(due: readonly DueNotice[]): DueNotice[][] {
  const alone = due.filter((n) => n.kind === 'announcement');
  const rest = due.filter((n) => n.kind !== 'announcement');
  return [...alone.map((n) => [n]), ...(rest.length ? [rest] : [])];
}

async function deliverSome({ now }: Pick<Deps, 'now'>, db: Db): Promise<number> {
  await holdDelivering(db);
  const due = await dueNotices(db, now, PEOPLE);
  const [here, going] = [due.filter((n) => n.address === null), due.filter((n) => n.address !== null)];
  if (here.length)
    await keepHere(
      db,
      here.map((n) => n.id),
    );
  const mails = [...groupBy(going, (n) => n.person).values()].flatMap((theirs) =>
    bundles(theirs).flatMap((notices) => {
      const [first] = notices;
      return first?.address ? [{ id: randomUUID(), to: first.address, person: first.person, notices }] : [];
    }),
  );
  await postMails(
    db,
    mails.map(({ id, to, person }) => ({ id, kind: 'notices', to, about: { person }, now })),
  );
  await setMails(
    db,
    mails.flatMap(({ id, notices }) => notices.map((n) => ({ id: n.id, mail: id }))),
  );
  await postPushes(
    db,
    mails.map((m) => ({ mail: m.id, person: m.person })),
  );
  return groupBy(due, (n) => n.person).size;
}

/**
 * Makes mails of what is due: everything of one person that is due at once is one mail, announcements apart. What a mail says is written when it
 * leaves; what was seen until then is left out.
 *
 * @returns to how many people
 */
export async function deliverDue(deps: Pick<Deps, 'db' | 'now'>): Promise<number> {
  let people = 0;
  for (;;) {
    const n = await deps.db.transaction((tx) => deliverSome(deps, tx));
    people += n;
    if (n < PEOPLE) return people;
  }
}
