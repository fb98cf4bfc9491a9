import { newPasskey } from '@/contract/ways-in';
import { ok } from '@/core/result';
import { app } from '@/runtime/app';
import { keepPasskey } from '@/server/ways-in/passkeys';
import { json } from '../../_request/endpoint';
import { handedKey, handKey } from '../../_request/session';

/** Keeps a passkey that was made. */
export const POST = json('keep oneself', newPasskey, async ({ who, input }) => {
  const site = { origin: app().config.site };
  const kept = await keepPasskey(who.deps, who.actor, site, await handedKey('new-passkey'), input);
  await handKey('new-passkey', null);
  return kept.ok ? ok({}) : kept;
});
