import { signInAt } from '@/contract/addresses';
import 'server-only';
import { cookies } from 'next/headers';
import { redirect } from 'next/navigation';
import { cache } from 'react';
import { app } from '@/runtime/app';
import { currentTime, timeWith } from '@/server/clock/clock';
import type { Actor, Deps } from '@/server/deps';
import { findSession, noteVisit, sessionName } from '@/server/sessions/sessions';

const COOKIE = 'pulpit-session';

export type Visitor = {
  deps: Deps;
  actor: Actor;
  email: string;
  /** Which session this is: the hash of its token. */
  session: string;
  theme: 'system' | 'light' | 'dark';
  demo: boolean;
};

/** The signed-in person behind this request, with the request's one server time; null when nobody is signed in. */
export const visitor = cache(async (): Promise<Visitor | null> => {
  const token = (await cookies()).get(COOKIE)?.value;
  if (!token) return null;
  const { db, clock, config, readers } = app();
  const session = await findSession(db, token);
  if (!session) return null;
  const now = timeWith(clock, session.clockOffset);
  if (now >= session.expires || (session.demo && !config.demo)) return null;
  const { person, name, email, timeZone, theme } = session;
  const deps = { db, now, readers };
  const previousVisit = await noteVisit(deps, session);
  return {
    deps,
    actor: { id: person, name, timeZone, previousVisit },
    email,
    session: sessionName(token),
    theme,
    demo: config.demo,
  };
});

/** What a use-case of files is given beside. */
export const withFiles = (deps: Deps) => ({ ...deps, files: app().files });

/** What a use-case of players is given beside. */
export const withSites = <T extends Deps>(deps: T) => ({ ...deps, sites: app().sites });

/** The same, for pages that need somebody: others are sent to sign in and come back afterwards. */
export async function requireVisitor(here: string): Promise<Visitor> {
  return (await visitor()) ?? redirect(signInAt({ to: here }));
}

/** What a request has before anybody is signed in. */
export async function strangerDeps(): Promise<Deps> {
  const { db, clock, readers } = app();
  return { db, now: await currentTime(db, clock), readers };
}

export async function setSessionCookie(token: string, maxAge: number) {
  (await cookies()).set(COOKIE, token, {
    httpOnly: true,
    sameSite: 'lax',
    secure: app().config.secureCookies,
    path: '/',
    maxAge,
  });
}

/** What says that somebody has signed in with this browser before; it opens nothing. */
const DEVICE = 'pulpit-device';
const DEVICE_DAYS = 365;

export async function knownDevice(): Promise<string | null> {
  const token = (await cookies()).get(DEVICE)?.value ?? '';
  return /^[\w-]{43}$/u.test(token) ? token : null;
}

export async function setDeviceCookie(token: string) {
  (await cookies()).set(DEVICE, token, {
    httpOnly: true,
    sameSite: 'lax',
    secure: app().config.secureCookies,
    path: signInAt(),
    maxAge: DEVICE_DAYS * 86_400,
  });
}

export async function takeSessionCookie(): Promise<string | null> {
  const jar = await cookies();
  const token = jar.get(COOKIE)?.value ?? null;
  jar.delete(COOKIE);
  return token;
}
