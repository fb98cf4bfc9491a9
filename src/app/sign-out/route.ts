import { signInAt } from '@/contract/addresses';
import { app } from '@/runtime/app';
import { signOut } from '@/server/sessions/sessions';
import { openForm } from '../_request/endpoint';
import { takeSessionCookie } from '../_request/session';
import { seeOther } from '../_request/write';

/** Ends the session of whoever sends it. */
export const POST = openForm('sign in or out', async () => {
  const token = await takeSessionCookie();
  if (token) await signOut(app().db, token);
  return seeOther(signInAt());
});
