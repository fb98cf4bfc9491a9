import { signInAt, signOnBackAt } from '@/contract/addresses';
import { app } from '@/runtime/app';
import { goToSignOn } from '@/server/sign-on/enter';
import { content } from '../../_request/endpoint';
import { originOf } from '../../_request/origin';
import { comingFrom, handKey, strangerDeps } from '../../_request/session';
import { localPath, seeOther } from '../../_request/write';

/** To the college's own sign-on. */
export const GET = content('sign in or out', async ({ request }) => {
  const to = localPath(new URL(request.url).searchParams.get('to') ?? '/');
  const { network } = await comingFrom();
  const back = `${originOf(request.headers)}${signOnBackAt()}`;
  const gone = await goToSignOn(await strangerDeps(), app().signOn, { back, to, network });
  if (!gone.ok) return seeOther(signInAt({ problem: gone.failure.code, to }));
  await handKey('sign-on', gone.value.token);
  return new Response(null, { status: 303, headers: { location: gone.value.address } });
});
