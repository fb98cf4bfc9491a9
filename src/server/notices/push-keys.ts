import webpush from 'web-push';
import type { Db } from '@/db/connection';
import { pushKeys, putPushKeys, replacePushKeys } from '@/db/queries/push';
import type { Box } from '../secrets/box';

const OF = 'push';

function secretOf(kept: { public: string; private: Buffer } | null, box: Box) {
  const secret = kept && box.open('push key', OF, kept.private);
  return kept && secret !== null ? { public: kept.public, private: secret } : null;
}

/** The keys by which push services know this installation (RFC 8292): made once, the private one sealed. */
export async function vapidKeys({
  db,
  box,
}: {
  db: Db;
  box: Box;
}): Promise<{ public: string; private: string } | null> {
  const kept = await pushKeys(db);
  const opened = secretOf(kept, box);
  if (opened) return opened;
  const made = webpush.generateVAPIDKeys();
  const sealed = { public: made.publicKey, private: box.seal('push key', OF, made.privateKey) };
  // What another secret sealed is lost, and with it the devices that listen by it: they are asked anew.
  if (kept) await replacePushKeys(db, kept.public, sealed);
  else await putPushKeys(db, sealed);
  // Whoever was first has made them.
  return secretOf(await pushKeys(db), box);
}

/** What devices are asked to listen with; null where what was sealed cannot be opened. */
export const pushKey = async (deps: { db: Db; box: Box }): Promise<string | null> =>
  (await vapidKeys(deps))?.public ?? null;
