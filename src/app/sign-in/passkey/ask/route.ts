import { passkeyAsk } from '@/contract/ways-in';
import { ok } from '@/core/result';
import { app } from '@/runtime/app';
import { askForPasskey } from '@/server/ways-in/passkeys';
import { openJson } from '../../../_request/endpoint';
import { handKey, strangerDeps } from '../../../_request/session';

/** What a browser is asked for to sign in by a passkey. */
export const POST = openJson('sign in or out', passkeyAsk, async () => {
  const { token, options } = await askForPasskey(await strangerDeps(), { origin: app().config.site });
  await handKey('passkey', token);
  return ok({ options });
});
