import { signInAt, weekAt } from '@/contract/addresses';
import { app } from '@/runtime/app';
import { PEER } from '@/runtime/peer';
import { isOwnMachine } from '@/server/sessions/own-machine';
import { letOwnIn } from '@/server/people/mine';
import { content } from '../../_request/endpoint';
import { comingIn, enterWith, strangerDeps } from '../../_request/session';
import { localPath, seeOther } from '../../_request/write';

/** Lets a browser of this very machine in, where the installation is for one person; nobody else. */
export const GET = content('sign in or out', async ({ request }) => {
  const to = localPath(new URL(request.url).searchParams.get('to') ?? weekAt());
  const from = {
    peer: request.headers.get(PEER),
    host: request.headers.get('host'),
    site: request.headers.get('sec-fetch-site'),
    forwarded: request.headers.get('x-forwarded-for'),
  };
  const entry =
    app().config.mine && isOwnMachine(from) ? await letOwnIn(await strangerDeps(), await comingIn()) : null;
  if (!entry) return seeOther(signInAt({ problem: 'not-mine', to }));
  await enterWith(entry);
  return seeOther(to);
});
