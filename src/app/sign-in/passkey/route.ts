import { passkeyEnter } from '@/contract/ways-in';
import { ok } from '@/core/result';
import { app } from '@/runtime/app';
import { signInByPasskey } from '@/server/ways-in/passkeys';
import { openJson } from '../../_request/endpoint';
import { comingIn, enterWith, handedKey, handKey, strangerDeps } from '../../_request/session';
import { localPath } from '../../_request/write';

/** Signs in by a passkey. */
export const POST = openJson('sign in or out', passkeyEnter, async ({ input }) => {
  const site = { origin: app().config.site };
  const done = await signInByPasskey(
    await strangerDeps(),
    site,
    await handedKey('passkey'),
    input.response,
    await comingIn(),
  );
  await handKey('passkey', null);
  if (!done.ok) return done;
  await enterWith(done.value);
  return ok({ to: localPath(input.to) });
});
