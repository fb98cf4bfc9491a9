import webpush from 'web-push';
import type { Db } from '@/db/connection';
import { pushKeys, putPushKeys } from '@/db/queries/push';
import type { Box } from '../secrets/box';

const OF = 'push';

/** The keys by which push services know this installation (RFC 8292): made once, the private one sealed. */
export async function vapidKeys({
  db,
  box,
}: {
  db: Db;
  box: Box;
}): Promise<{ public: string; private: string } | null> {
  const kept = await pushKeys(db);
  if (kept) {
    const secret = box.open('push key', OF, kept.private);
    return secret === null ? null : { public: kept.public, private: secret };
  }
  const made = webpush.generateVAPIDKeys();
  // Whoever was first has made them.
  await putPushKeys(db, { public: made.publicKey, private: box.seal('push key', OF, made.privateKey) });
  return vapidKeys({ db, box });
}

/** What devices are asked to listen with; null where what was sealed cannot be opened. */
export const pushKey = async (deps: { db: Db; box: Box }): Promise<string | null> =>
  (await vapidKeys(deps))?.public ?? null;
