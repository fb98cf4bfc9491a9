import type { HelpFound } from '@/contract/account';
import { ownSignInAt, pictureAt, signInAt } from '@/contract/addresses';
import 'server-only';
import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { cache } from 'react';
import { app } from '@/runtime/app';
import { PEER } from '@/runtime/peer';
import { setTaste } from '@/runtime/taste';
import { currentTime, timeWith } from '@/server/clock/clock';
import type { Actor, Deps } from '@/server/deps';
import { clientAddress, networkOf } from '@/server/sessions/network';
import { MOST_IDLE_MS } from '@/server/people/sweep';
import type { Instant } from '@/core/ids';
import type { Proof } from '@/server/ways-in/proof';
import {
  findSession,
  noteVisit,
  sessionName,
  signOut,
  type Coming,
  type Entry,
} from '@/server/sessions/sessions';

const COOKIE = 'pulpit-session';

export type Visitor = {
  deps: Deps;
  actor: Actor;
  email: string;
  /** Which session this is: the hash of its token. */
  session: string;
  /** When one signed in with it. */
  since: Instant;
  theme: 'system' | 'light' | 'dark';
  clock: '12' | '24';
  /** Where one's own picture is seen. */
  picture: string | null;
  /** Where help is found. */
  help: HelpFound | null;
  demo: boolean;
  /** Whether this installation is theirs alone. */
  mine: boolean;
  /** Whether this is somebody who looks after the installation. */
  steward: boolean;
  /** How many things that concern them they have not seen. */
  notices: number;
};

/** A session that still holds, at the time it is for whoever it is. */
async function standingSession() {
  const token = (await cookies()).get(COOKIE)?.value;
  if (!token) return null;
  const { db, clock, config } = app();
  const session = await findSession(db, token);
  if (!session) return null;
  const now = timeWith(clock, session.clockOffset);
  const over = now >= session.expires || now - session.seen > MOST_IDLE_MS;
  return over || (session.demo && !config.demo) ? null : { session, token, now };
}

/** How many notices the signed-in person has not seen, without noting that they were here; null when nobody is signed in. */
export const unseenNotices = async (): Promise<number | null> =>
  (await standingSession())?.session.notices ?? null;

/** The signed-in person behind this request, with the request's one server time; null when nobody is signed in. */
export const visitor = cache(async (): Promise<Visitor | null> => {
  const standing = await standingSession();
  if (!standing) return null;
  const { session, token, now } = standing;
  const { db, config, readers } = app();
  const { person, name, email, timeZone, theme, clock: hours, weekBegins, picture, steward } = session;
  setTaste({ clock: hours });
  const deps = { db, now, readers };
  const previousVisit = await noteVisit(deps, session);
  return {
    deps,
    actor: { id: person, name, timeZone, previousVisit, weekBegins },
    email,
    session: sessionName(token),
    since: session.started,
    theme,
    clock: hours,
    picture: picture && pictureAt(person, { v: picture }),
    help: session.help,
    demo: config.demo,
    mine: config.mine,
    steward,
    notices: session.notices,
  };
});

/** What a use-case of files is given beside. */
export const withFiles = <T extends Deps>(deps: T) => ({ ...deps, files: app().files });

/** What a use-case of secrets is given beside. */
export const withBox = <T extends Deps>(deps: T) => ({ ...deps, box: app().box });

/** What a use-case of codes that go by the clock on the wall is given beside: a demo's clock shows another time. */
export const withTime = <T extends Deps>(deps: T) => ({ ...withBox(deps), real: app().clock.real() });

/** What a use-case of players is given beside. */
export const withSites = <T extends Deps>(deps: T) => ({ ...deps, sites: app().sites });

/** The same, for pages that need somebody: others are sent to sign in and come back afterwards. */
export async function requireVisitor(here: string): Promise<Visitor> {
  return (
    (await visitor()) ?? redirect(app().config.mine ? ownSignInAt({ to: here }) : signInAt({ to: here }))
  );
}

/** What a request has before anybody is signed in. */
export async function strangerDeps(): Promise<Deps> {
  const { db, clock, readers } = app();
  return { db, now: await currentTime(db, clock), readers };
}

/** Signs this browser in. Whoever was signed in with it before leaves no session behind. */
export async function setSessionCookie(token: string, maxAge: number) {
  const before = await takeSessionCookie();
  if (before !== null) await signOut(app().db, before);
  (await cookies()).set(COOKIE, token, {
    httpOnly: true,
    sameSite: 'lax',
    secure: app().config.secureCookies,
    path: '/',
    maxAge,
  });
}

/** What a browser says it is, and the network it is in: what a session and a try are noted with. */
export async function comingFrom(): Promise<{ agent: string; network: string | null }> {
  const asked = await headers();
  const peer = asked.get(PEER) ?? '';
  const network = networkOf(clientAddress(peer, asked.get('x-forwarded-for'), app().config.proxies));
  return { agent: asked.get('user-agent') ?? '', network };
}

/** The same, with what says that this browser is somebody's. */
export const comingIn = async (): Promise<Coming> => ({
  ...(await comingFrom()),
  device: await knownDevice(),
});

/** Lets this browser in. */
export async function enterWith({ token, maxAgeSeconds, device }: Entry) {
  if (device !== null) await setDeviceCookie(device);
  await setSessionCookie(token, maxAgeSeconds);
}

/** What somebody shows once more before anything is done that could lock an account's owner out. */
export const proofOf = async ({ since }: Visitor, password: string): Promise<Proof> => ({
  password,
  network: (await comingFrom()).network,
  since,
});

/** A key out of a mail, for the page it was handed over to. */
const keyCookie = (purpose: string) => `pulpit-key-${purpose}`;
const KEY_SECONDS = 1_800;

export const handedKey = async (purpose: string): Promise<string | null> =>
  (await cookies()).get(keyCookie(purpose))?.value ?? null;

export async function handKey(purpose: string, key: string | null, seconds = KEY_SECONDS) {
  const jar = await cookies();
  if (key === null) jar.delete(keyCookie(purpose));
  else
    jar.set(keyCookie(purpose), key, {
      httpOnly: true,
      sameSite: 'lax',
      secure: app().config.secureCookies,
      path: '/',
      maxAge: seconds,
    });
}

/** The address of a feed is kept as a hash: its maker sees it for so long. */
const FEED_SECONDS = 600;
export const handFeedToken = (feed: string, token: string | null) =>
  handKey(`feed-${feed}`, token, FEED_SECONDS);
export const handedFeedToken = (feed: string) => handedKey(`feed-${feed}`);

/** What says that somebody has signed in with this browser before; it opens nothing. */
const DEVICE = 'pulpit-device';
const DEVICE_DAYS = 365;

async function knownDevice(): Promise<string | null> {
  const token = (await cookies()).get(DEVICE)?.value ?? '';
  return /^[\w-]{43}$/u.test(token) ? token : null;
}

async function setDeviceCookie(token: string) {
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
