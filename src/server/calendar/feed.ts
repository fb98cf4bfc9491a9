import type { CalendarEntry, MeetingEntry, PlannedAssignment } from '@/contract/calendar';
import { calendarStreamAt } from '@/contract/addresses';
import { createHash } from 'node:crypto';
import type { Instant } from '@/core/ids';
import type { Piece } from '@/core/planning/plan';
import { wallClockAt } from '@/core/deadlines/wallclock';
import { fail, ok, type Result } from '@/core/result';
import type { Db } from '@/db/connection';
import {
  deleteFeed,
  feedOf,
  feedReader,
  makeFeed,
  noteFeedRead,
  versionEntries,
  type EntryVersion,
  type FeedRecord,
} from '@/db/queries/feeds';
import { timeWith, type Clock } from '../clock/clock';
import type { Actor, Deps } from '../deps';
import { hashOf, newToken } from '../secrets/tokens';
import { planView } from '../planning/plan';
import { calendarEntries } from './entries';
import { meetingEntries } from './meetings';

export type PlannedPiece = Piece & { uid: string; assignment: PlannedAssignment; zone: string; wall: string };
export type Feed = {
  name: string;
  entries: (CalendarEntry & EntryVersion)[];
  pieces: (PlannedPiece & EntryVersion)[];
  meetings: (MeetingEntry & EntryVersion)[];
};

const hash = (facts: unknown) => createHash('sha256').update(JSON.stringify(facts)).digest('hex');

/** What a reader of the feed sees of an entry: when any of it is another, the entry has changed. */
const factsOf = (e: CalendarEntry) => [
  e.kind,
  e.wall,
  e.zone,
  e.title,
  e.course.code,
  e.extended,
  e.states,
  e.late,
];
const factsOfMeeting = (m: MeetingEntry) => [m.at, m.until, m.title, m.place, m.zone];
const factsOfPiece = (p: PlannedPiece) => [p.start, p.end, p.assignment.title, p.zone];

/** The pieces of the plan, each known by its task and its place among that task's pieces. */
function piecesOf(view: Awaited<ReturnType<typeof planView>>, person: string): PlannedPiece[] {
  const seen = new Map<string, number>();
  return view.planned.sittings
    .flatMap((s) => s.pieces)
    .flatMap((piece) => {
      const assignment = view.assignments.find((a) => a.id === piece.task);
      if (!assignment) return [];
      const nth = (seen.get(piece.task) ?? 0) + 1;
      seen.set(piece.task, nth);
      const uid = `sitting-${assignment.slug}-${assignment.kind}-${assignment.n}-${nth}-${person}@pulpit`;
      return [{ ...piece, uid, assignment, zone: view.zone, wall: wallClockAt(piece.start, view.zone) }];
    });
}

/** The plan of this moment as a file to take along: its pieces, each said for the first time. */
export async function planPieces(deps: Deps, actor: Actor): Promise<(PlannedPiece & EntryVersion)[]> {
  const view = await planView(deps, actor);
  return piecesOf(view, actor.id).map((p) => ({ ...p, sequence: 0, changedAt: deps.now }));
}

/** The feed behind a secret address, as of now; an address that was revoked or never was is not found. */
export async function readFeed(
  db: Deps['db'],
  clock: Clock,
  token: string,
): Promise<Result<Feed, { code: 'not-found' }>> {
  const reader = await feedReader(db, hashOf(token));
  if (!reader) return fail({ code: 'not-found' });
  const now = timeWith(clock, reader.clockOffset);
  const deps = { db, now };
  const actor: Actor = {
    id: reader.person,
    name: reader.name,
    timeZone: reader.timeZone,
    previousVisit: null,
  };
  const [all, view, meetings] = await Promise.all([
    calendarEntries(deps, actor),
    planView(deps, actor),
    meetingEntries(deps, actor),
  ]);
  const entries = all.filter((e) => e.kind === 'response' || e.kind === 'replies');
  const pieces = view.habits.inFeed ? piecesOf(view, reader.person) : [];
  const versions = await versionEntries(
    db,
    reader.person,
    [
      ...entries.map((e) => ({ uid: e.uid, hash: hash(factsOf(e)) })),
      ...pieces.map((p) => ({ uid: p.uid, hash: hash(factsOfPiece(p)) })),
      ...meetings.map((m) => ({ uid: m.uid, hash: hash(factsOfMeeting(m)) })),
    ],
    now,
  );
  await noteFeedRead(db, hashOf(token), now);
  const versioned = <T extends { uid: string }>(rows: T[]) =>
    rows.map((row) => ({ ...row, ...(versions.get(row.uid) ?? { sequence: 0, changedAt: now }) }));
  return ok({
    name: reader.name,
    entries: versioned(entries),
    pieces: versioned(pieces),
    meetings: versioned(meetings),
  });
}

/** A feed that there is; its address only where somebody still has the token it was made with: it is kept as a hash. */
export type FeedAddress = { path: string | null; madeAt: Instant; lastRead: Instant | null };

export const addressOfFeed = (
  feed: FeedRecord,
  token: string | null,
  pathOf: (token: string) => string,
): FeedAddress => ({
  path: token !== null && hashOf(token).equals(feed.tokenHash) ? pathOf(token) : null,
  madeAt: feed.madeAt,
  lastRead: feed.lastRead,
});

/** The own feed, with its address where `token` is what it was made with. */
export async function feedAddress(
  deps: Deps,
  actor: Actor,
  token: string | null,
): Promise<FeedAddress | null> {
  const feed = await feedOf(deps.db, actor.id);
  return feed && addressOfFeed(feed, token, calendarStreamAt);
}

/** Makes a secret address in place of one that was there, and answers with what is secret in it: once. */
export async function newFeedAddress(deps: { db: Db; now: Instant }, actor: Actor): Promise<string> {
  const token = newToken();
  await makeFeed(deps.db, actor.id, hashOf(token), deps.now);
  return token;
}

export const revokeFeed = (deps: Deps, actor: Actor) => deleteFeed(deps.db, actor.id);
