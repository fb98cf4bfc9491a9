import { secondStepAt, signInAt } from '@/contract/addresses';
import { takeSecondStep } from '@/server/ways-in/second-step';
import { openForm } from '../../../_request/endpoint';
import { comingIn, enterWith, handedKey, handKey, strangerDeps, withTime } from '../../../_request/session';
import { localPath, seeOther } from '../../../_request/write';

const MOST = 60;

/** Takes the second step of signing in. */
export const POST = openForm('sign in or out', async ({ fields }) => {
  const to = localPath(fields.get('to') ?? '/');
  const shown = (fields.get('code') ?? '').slice(0, MOST);
  const done = await takeSecondStep(
    withTime(await strangerDeps()),
    await handedKey('second'),
    shown,
    await comingIn(),
  );
  if (!done.ok && done.failure.code === 'over') return seeOther(signInAt({ problem: 'over', to }));
  if (!done.ok) return seeOther(secondStepAt({ problem: done.failure.code, to }));
  await handKey('second', null);
  await enterWith(done.value);
  return seeOther(to);
});
