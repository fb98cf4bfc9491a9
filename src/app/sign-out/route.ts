import { signOut } from '@/server/sessions/sessions';
import { app } from '@/runtime/app';
import { takeSessionCookie } from '../_request/session';
import { fromOwnPages, seeOther } from '../_request/write';

export async function POST(request: Request) {
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const token = await takeSessionCookie();
  if (token) await signOut(app().db, token);
  return seeOther('/sign-in');
}
