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

/** What a push service says of a message (RFC 8030, 5): it has it, it knows no such device any more, or something else. */
async function handed(
  device: { endpoint: string; p256dh: string; auth: string },
  payload: string,
  options: Parameters<typeof webpush.generateRequestDetails>[2],
): Promise<'taken' | 'gone'> {
  const { endpoint, p256dh, auth } = device;
  const { method, headers, body } = webpush.generateRequestDetails(
    { endpoint, keys: { p256dh, auth } },
    payload,
    options,
  );
  const answer = await fetch(endpoint, {
    method,
    headers: Object.fromEntries(Object.entries(headers).map(([name, value]) => [name, String(value)])),
    ...(body ? { body: new Uint8Array(body) } : {}),
    redirect: 'error',
    signal: AbortSignal.timeout(WAITS_MS),
  });
  await answer.body?.cancel();
  if (answer.status === 404 || answer.status === 410) return 'gone';
  if (!answer.ok) throw new Error(`The push service answered with ${answer.status}.`);
  return 'taken';
}

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
  const notices = await ask(noticesIn(deps.db, mail));
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
  for (const device of devices)
    try {
      const said = await handed(device, payload, {
        TTL: KEPT_SECONDS,
        topic: mail.replace(/-/gu, '').slice(0, 32),
        vapidDetails: {
          subject: site.startsWith('https://') ? site : contact,
          publicKey: keys.public,
          privateKey: keys.private,
        },
      });
      if (said === 'gone') await dropDevice(deps.db, { id: device.id });
    } catch (error) {
      trouble = error;
    }
  // Tried again: a device that has it shows it once, by its tag.
  if (trouble) throw trouble;
}
