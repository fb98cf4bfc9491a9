import { randomUUID } from 'node:crypto';
import { asked, planned } from '@/core/elsewhere/term';
import type { NamedDate } from '@/core/calendar/dates-named';
import { instant, type Instant } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import {
  claimDueCalendars,
  deleteCalendar,
  followedCalendar,
  followedCalendars,
  holdFollowed,
  insertCalendar,
  keepAnswer,
  keepOffers,
  type CalendarTrouble,
  type FollowedCalendar,
} from '@/db/queries/followed-calendars';
import { insertIntake } from '@/db/queries/outside';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import type { Box } from '../secrets/box';
import { urlOf, type LinkWorld } from '../links/ask';
import { readFor } from '../readers/readers';
import { fetchCalendar } from './fetch-calendar';
import { offersOf } from './offers';

/** So many calendars one person follows at most. */
export const MOST_FOLLOWED = 10;
const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** So many are asked at once: one that answers slowly holds up no other for long. */
const AT_ONCE = 8;

export type FollowFailure = { code: 'no-address' | 'too-many' } | { code: CalendarTrouble };

const SEALED = 'calendar address';
type WithBox = Deps & { box: Box };

/** Asks for a calendar once, keeps what it says, and counts what it offers. A server that does not answer is asked again, at least once a day. */
async function look(
  deps: WithBox,
  actor: Actor,
  calendar: FollowedCalendar,
  world?: LinkWorld,
): Promise<CalendarTrouble | null> {
  const address = deps.box.open(SEALED, calendar.id, calendar.address);
  const url = address ? urlOf(address) : null;
  const answer = url ? await fetchCalendar(url, calendar, world) : ({ trouble: 'no-answer' } as const);
  const done = async (trouble: CalendarTrouble | null, read?: Parameters<typeof keepAnswer>[2]['read']) => {
    const since = deps.now - (calendar.readAt ?? calendar.addedAt);
    // Whoever has not answered for long is asked seldom.
    const pause = trouble === null ? HOUR_MS : Math.min(DAY_MS, Math.max(HOUR_MS, since / 4));
    await keepAnswer(deps.db, calendar.id, {
      askedAt: deps.now,
      nextAt: instant(deps.now + pause),
      trouble,
      ...(read ? { read } : {}),
    });
    const { rows } = await offersOf(deps, actor, read ? { ...calendar, dates: read.dates } : calendar);
    await keepOffers(deps.db, calendar.id, rows.length);
    return trouble;
  };
  if ('trouble' in answer) return done(answer.trouble);
  if (answer.text === null) return done(null);
  const named = await readFor(deps, actor, 'dates', { text: answer.text, zone: actor.timeZone });
  if (!named.ok) return done('not-read');
  if (!named.value) return done('no-calendar');
  return done(null, { etag: answer.etag, modified: answer.modified, dates: named.value });
}

/** A name for a calendar: what it is called by its reader, or the place it comes from. */
const nameOf = (typed: string, url: URL) =>
  typed
    .replace(/\p{Cc}/gu, '')
    .trim()
    .slice(0, 80) || url.hostname;

/** Follows the calendar at an address: it is asked at once, and kept only where there is one. */
export async function followCalendar(
  deps: WithBox,
  actor: Actor,
  given: { address: string; name: string },
  world?: LinkWorld,
): Promise<Result<{ id: string }, FollowFailure>> {
  // Calendar programs write such addresses with a scheme of their own.
  const url = urlOf(given.address.trim().replace(/^webcals?:\/\//iu, 'https://'));
  if (!url || given.address.length > 2_000) return fail({ code: 'no-address' });
  const id = randomUUID();
  const kept = await deps.db.transaction(async (tx) => {
    await holdFollowed(tx, actor.id);
    if ((await followedCalendars(tx, actor.id)).length >= MOST_FOLLOWED) return false;
    await insertCalendar(tx, {
      id,
      person: actor.id,
      name: nameOf(given.name, url),
      address: deps.box.seal(SEALED, id, url.href),
      at: deps.now,
    });
    return true;
  });
  if (!kept) return fail({ code: 'too-many' });
  const calendar = await followedCalendar(deps.db, actor.id, id);
  const trouble = calendar ? await look(deps, actor, calendar, world) : 'no-answer';
  if (trouble === null) return ok({ id });
  await deleteCalendar(deps.db, actor.id, id);
  return fail({ code: trouble });
}

/** A calendar that says what it says and is never asked for: the demo has no other college. */
export async function followSaid(
  deps: Deps,
  actor: Actor,
  said: { name: string; dates: NamedDate[]; addedAt: Instant; readAt: Instant },
) {
  const id = randomUUID();
  const { name, addedAt, readAt } = said;
  await insertCalendar(deps.db, { id, person: actor.id, name, address: Buffer.alloc(0), at: addedAt });
  const read = { etag: null, modified: null, dates: said.dates };
  await keepAnswer(deps.db, id, {
    askedAt: readAt,
    nextAt: instant(deps.now + 366 * DAY_MS),
    trouble: null,
    read,
  });
  const { rows } = await offersOf(deps, actor, { dates: said.dates, putAside: [] });
  await keepOffers(deps.db, id, rows.length);
}

/** Asks for all whose time has come, however many they are. */
export async function lookDue(deps: WithBox, world?: LinkWorld): Promise<number> {
  for (let looked = 0; ;) {
    const due = await claimDueCalendars(deps.db, deps.now, instant(deps.now + HOUR_MS), AT_ONCE);
    await Promise.all(
      due.map(({ calendar, person }) => look(deps, { ...person, previousVisit: null }, calendar, world)),
    );
    looked += due.length;
    if (due.length < AT_ONCE) return looked;
  }
}

export const unfollowCalendar = (deps: Deps, actor: Actor, id: string) =>
  deleteCalendar(deps.db, actor.id, id);

export type FollowedLine = Pick<
  FollowedCalendar,
  'id' | 'name' | 'readAt' | 'askedAt' | 'trouble' | 'offers'
> & { dates: number };

/** The calendars a person follows, without their addresses. */
export const followedLines = async (deps: Deps, actor: Actor): Promise<FollowedLine[]> =>
  (await followedCalendars(deps.db, actor.id)).map(
    ({ id, name, readAt, askedAt, trouble, offers, dates }) => ({
      id,
      name,
      readAt,
      askedAt,
      trouble,
      offers,
      dates: dates.length,
    }),
  );

/** Lays what a calendar offers down to be looked through, like a plan that was brought in. */
export async function lookThrough(
  deps: Deps,
  actor: Actor,
  id: string,
): Promise<Result<{ id: string }, NotFound | { code: 'nothing-new' }>> {
  const calendar = await followedCalendar(deps.db, actor.id, id);
  if (!calendar) return fail({ code: 'not-found' });
  const { course, rows } = await offersOf(deps, actor, calendar);
  if (rows.length === 0) return fail({ code: 'nothing-new' });
  const whole = rows.map((r) => r.said).join('\n');
  const intake = randomUUID();
  await insertIntake(
    deps.db,
    actor.id,
    {
      id: intake,
      doc: planned(whole),
      source: calendar.name,
      whole,
      dates: [],
      troubles: [],
      takenAt: deps.now,
      found: null,
      term: asked({ course, rows, rules: {}, rulesSaid: [], asked: [] }, actor.timeZone),
      calendar: id,
    },
    null,
  );
  return ok({ id: intake });
}
