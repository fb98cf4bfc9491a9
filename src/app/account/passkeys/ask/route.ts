import { newPasskeyAsk } from '@/contract/ways-in';
import { ok } from '@/core/result';
import { app } from '@/runtime/app';
import { askForNewPasskey } from '@/server/ways-in/passkeys';
import { json } from '../../../_request/endpoint';
import { handKey, proofOf } from '../../../_request/session';

/** What a browser is asked for to make a passkey. */
export const POST = json('keep oneself', newPasskeyAsk, async ({ who, input }) => {
  const asked = await askForNewPasskey(
    who.deps,
    who.actor,
    { origin: app().config.site },
    await proofOf(who, input.password),
  );
  if (!asked.ok) return asked;
  await handKey('new-passkey', asked.value.token);
  return ok({ options: asked.value.options });
});
