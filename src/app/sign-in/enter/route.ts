import { z } from 'zod';
import { secondStepAt, signInAt, weekAt } from '@/contract/addresses';
import { app } from '@/runtime/app';
import { personId } from '@/core/ids';
import { signIn, signInAsDemoPerson } from '@/server/sessions/sessions';
import { comingIn, enterWith, handKey, strangerDeps } from '../../_request/session';
import { openForm } from '../../_request/endpoint';
import { localPath, seeOther } from '../../_request/write';

const fieldsSchema = z.union([
  z.object({ person: z.uuid(), to: z.string().max(500).default('/') }),
  z.object({
    email: z.string().min(1).max(320),
    password: z.string().min(1).max(1_000),
    to: z.string().max(500).default('/'),
  }),
]);

/** Signs in: with address and password, or with one press as somebody of the demo. */
export const POST = openForm('sign in or out', async ({ fields }) => {
  const read = fieldsSchema.safeParse(Object.fromEntries(fields));
  const back = (problem: string) =>
    seeOther(signInAt({ problem, to: localPath(fields.get('to') ?? weekAt()) }));
  if (!read.success) return back('wrong-credentials');
  if ('person' in read.data && !app().config.demo) return back('not-offered');
  const deps = await strangerDeps();
  const from = await comingIn();
  const to = localPath(read.data.to);
  const done =
    'person' in read.data
      ? await signInAsDemoPerson(deps, personId(read.data.person), from.agent)
      : await signIn(deps, { ...read.data, ...from, demo: app().config.demo });
  if (!done.ok) return back(done.failure.code);
  if ('second' in done.value) {
    await handKey('second', done.value.second);
    return seeOther(secondStepAt({ to }));
  }
  await enterWith(done.value);
  return seeOther(to);
});
