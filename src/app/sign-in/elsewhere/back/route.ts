import { signInAt, signOnBackAt } from '@/contract/addresses';
import { app } from '@/runtime/app';
import { comeBack } from '@/server/sign-on/enter';
import { content } from '../../../_request/endpoint';
import { originOf } from '../../../_request/origin';
import { comingIn, enterWith, handedKey, handKey, strangerDeps } from '../../../_request/session';
import { localPath, seeOther } from '../../../_request/write';

/** Back from the college's own sign-on. */
export const GET = content('sign in or out', async ({ request }) => {
  const { search } = new URL(request.url);
  const done = await comeBack(await strangerDeps(), app().signOn, {
    token: await handedKey('sign-on'),
    // As the browser has it, which a proxy may have changed on the way.
    url: new URL(`${originOf(request.headers)}${signOnBackAt()}${search}`),
    from: await comingIn(),
    demo: app().config.demo,
  });
  await handKey('sign-on', null);
  if (!done.ok) return seeOther(signInAt({ problem: done.failure.code }));
  await enterWith(done.value.entry);
  return seeOther(localPath(done.value.to));
});
