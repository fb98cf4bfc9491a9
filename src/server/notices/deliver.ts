import { randomUUID } from 'node:crypto';
import { groupBy } from '@/core/group';
import type { Db } from '@/db/connection';
import { dueNotices, holdDelivering, keepHere, setMails, type DueNotice } from '@/db/queries/deliveries';
import { postMails } from '@/db/queries/mails';
import { postPushes } from '@/db/queries/push';
import type { Deps } from '../deps';

/** Of how many people at once, so that no transaction is long. */
const PEOPLE = 500;

/** What goes together: an announcement is a mail of its own, everything else of a moment is one. */
function bundles(due: readonly DueNotice[]): DueNotice[][] {
  const alone = due.filter((n) => n.kind === 'announcement');
  const rest = due.filter((n) => n.kind !== 'announcement');
  return [...alone.map((n) => [n]), ...(rest.length ? [rest] : [])];
}

/** To how many people, of how many it was looked for: fewer than are taken at once are the last. */
async function deliverSome(
  { now }: Pick<Deps, 'now'>,
  db: Db,
  most: number,
): Promise<{ told: number; last: boolean }> {
  await holdDelivering(db);
  const { due, people } = await dueNotices(db, now, most);
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
  return { told: groupBy(due, (n) => n.person).size, last: people < most };
}

/**
 * Makes mails of what is due: everything of one person that is due at once is one mail, announcements apart. What a mail says is written when it
 * leaves; what was seen until then is left out.
 *
 * @param most of how many people at once
 * @returns to how many people
 */
export async function deliverDue(deps: Pick<Deps, 'db' | 'now'>, most = PEOPLE): Promise<number> {
  let people = 0;
  for (;;) {
    const { told, last } = await deps.db.transaction((tx) => deliverSome(deps, tx, most));
    people += told;
    if (last) return people;
  }
}
