import webpush from 'web-push';
import { openNoticeAt, noticesAt } from '@/contract/addresses';
import { ask } from '@/db/ask';
import { account } from '@/db/queries/accounts';
import { devicesOf, dropDevice, readerOfMail } from '@/db/queries/push';
import { noticesIn } from '@/db/queries/notices';
import type { Deps } from '../deps';
import type { Box } from '../secrets/box';
import { linesOf, toldOf } from './lines';
import { vapidKeys } from './push-keys';

/** How long a push service keeps what a device that is away has not fetched. */
const KEPT_SECONDS = 86_400;
const WAITS_MS = 10_000;

const isGone = (error: unknown) => [404, 410].includes((error as { statusCode?: number }).statusCode ?? 0);

/**
 * Sends what a mail tells to its reader's devices too: one line each, at most three, without anybody's words, and only what is not seen yet. A device
 * that its service does not know any more is forgotten.
 */
export async function push(
  deps: Pick<Deps, 'db' | 'now'> & { box: Box },
  { site, contact }: { site: string; contact: string },
  mail: string,
): Promise<void> {
  const person = await readerOfMail(deps.db, mail);
  const to = person && (await account(deps.db, person));
  if (!person || !to || to.ended !== null) return;
  const devices = await ask(devicesOf(deps.db, person));
  const keys = devices.length ? await vapidKeys(deps) : null;
  if (!keys) return;
  const actor = { id: person, name: to.name, timeZone: to.timeZone, previousVisit: null };
  const notices = await noticesIn(deps.db, mail);
  const told = await toldOf(deps, actor, notices);
  const lines = linesOf(notices, told);
  const [first] = lines;
  if (!first) return;
  const hidden = (line: typeof first) => (line.kind === 'announcement' ? 'An announcement' : line.title);
  const payload = JSON.stringify({
    title: lines.length === 1 ? hidden(first) : `${lines.length} notices`,
    body: lines.length === 1 ? '' : lines.slice(0, 3).map(hidden).join('\n'),
    to: lines.length === 1 ? openNoticeAt(first.ids[0] ?? 0) : noticesAt(),
    tag: mail,
  });
  let trouble: unknown = null;
  for (const { id, endpoint, p256dh, auth } of devices)
    try {
      await webpush.sendNotification({ endpoint, keys: { p256dh, auth } }, payload, {
        TTL: KEPT_SECONDS,
        timeout: WAITS_MS,
        topic: mail.replace(/-/gu, '').slice(0, 32),
        vapidDetails: {
          subject: site.startsWith('https://') ? site : contact,
          publicKey: keys.public,
          privateKey: keys.private,
        },
      });
    } catch (error) {
      if (isGone(error)) await dropDevice(deps.db, { id });
      else trouble = error;
    }
  // Tried again: a device that has it shows it once, by its tag.
  if (trouble) throw trouble;
}
