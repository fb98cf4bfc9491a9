import { z } from 'zod';
import { app } from '@/runtime/app';
import { personId } from '@/core/ids';
import { PEER } from '@/runtime/peer';
import { clientAddress, networkOf } from '@/server/sessions/network';
import { signIn, signInAsDemoPerson } from '@/server/sessions/sessions';
import { knownDevice, setDeviceCookie, setSessionCookie, strangerDeps } from '../../_request/session';
import { bodyFields, fromOwnPages, localPath, seeOther } from '../../_request/write';

const form = z.union([
  z.object({ person: z.uuid(), to: z.string().max(500).default('/') }),
  z.object({
    email: z.string().min(1).max(320),
    password: z.string().min(1).max(1_000),
    to: z.string().max(500).default('/'),
  }),
]);

export async function POST(request: Request) {
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const fields = Object.fromEntries(await bodyFields(request));
  const read = form.safeParse(fields);
  const back = (problem: string) =>
    seeOther(`/sign-in?problem=${problem}&to=${encodeURIComponent(localPath(fields.to ?? '/'))}`);
  if (!read.success) return back('wrong-credentials');
  if ('person' in read.data && !app().config.demo) return back('not-offered');
  const deps = await strangerDeps();
  const done =
    'person' in read.data
      ? await signInAsDemoPerson(deps, personId(read.data.person))
      : await signIn(deps, {
          ...read.data,
          network: networkOf(
            clientAddress(
              request.headers.get(PEER) ?? '',
              request.headers.get('x-forwarded-for'),
              app().config.proxies,
            ),
          ),
          device: await knownDevice(),
          demo: app().config.demo,
        });
  if (!done.ok) return back(done.failure.code);
  if (done.value.device !== null) await setDeviceCookie(done.value.device);
  await setSessionCookie(done.value.token, done.value.maxAgeSeconds);
  return seeOther(localPath(read.data.to));
}
