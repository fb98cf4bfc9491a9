import { randomUUID } from 'node:crypto';
import { fail, ok, type Result } from '@/core/result';
import { ask } from '@/db/ask';
import { devicesOf, dropDevice, putDevice } from '@/db/queries/push';
import type { Actor, Deps } from '../deps';

/** More devices than anybody carries. */
const MOST_DEVICES = 10;

/** Whether an address is one of a push service that this installation sends to: nothing is sent to where a browser merely says. */
export function isPushService(endpoint: string, services: readonly string[]): boolean {
  if (!URL.canParse(endpoint)) return false;
  const { origin, hostname, protocol, username } = new URL(endpoint);
  if (username) return false;
  return services.some((s) =>
    s.includes('://')
      ? s === origin
      : protocol === 'https:' && (hostname === s || hostname.endsWith(`.${s}`)),
  );
}

/** This device listens for somebody, as long as they are signed in on it. */
export async function listenOn(
  deps: Deps,
  actor: Actor,
  session: string,
  services: readonly string[],
  device: { endpoint: string; keys: { p256dh: string; auth: string } },
): Promise<Result<null, { code: 'no-such-service' | 'too-many-devices' }>> {
  if (!isPushService(device.endpoint, services)) return fail({ code: 'no-such-service' });
  const known = await ask(devicesOf(deps.db, actor.id));
  if (known.length >= MOST_DEVICES && !known.some((d) => d.endpoint === device.endpoint))
    return fail({ code: 'too-many-devices' });
  await putDevice(
    deps.db,
    actor.id,
    { id: randomUUID(), endpoint: device.endpoint, session, ...device.keys },
    deps.now,
  );
  return ok(null);
}

export async function listenNoMoreOn(
  deps: Deps,
  actor: Actor,
  endpoint: string,
): Promise<Result<null, never>> {
  await dropDevice(deps.db, { person: actor.id, endpoint });
  return ok(null);
}
