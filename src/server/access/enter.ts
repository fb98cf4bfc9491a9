import { countingRules } from '@/core/brief/part-played';
import { ledger } from '@/core/counting/ledger';
import { sealFor, type Seal } from '@/core/counting/seal';
import type { Ledger, LedgerInput } from '@/core/counting/types';
import { resolveSchedule, type Schedule } from '@/core/deadlines/schedule';
import { discussionState, type DiscussionState } from '@/core/deadlines/state';
import { summarise } from '@/core/counting/summary';
import { isStaff, owes, type Instant, type PersonId } from '@/core/ids';
import { unreadPosts } from '@/core/reading/unread';
import { fail, ok, type Result } from '@/core/result';
import type { Db } from '@/db/connection';
import { roomBySlug, type DiscussionRecord, type DiscussionWithPrompt } from '@/db/queries/discussions';
import { ownPosts, type OwnPostRecord } from '@/db/queries/own-posts';
import { askTogether } from '@/db/ask';
import { draftsOf, type BegunRecord } from '@/db/queries/drafts';
import type { Actor, Deps } from '../deps';

/** A student's own account of a discussion, as every screen computes it; whoever else is in the course owes nothing and has none. */
export type Account = {
  schedule: Schedule;
  state: DiscussionState;
  ledger: Ledger | null;
  ledgerInput: LedgerInput | null;
  /** Classmates' posts are withheld from this person now. */
  sealed: boolean;
  /** Why they are, and when that ends by itself. */
  seal: Seal | null;
  responded: boolean;
  /** Posts of others in the discussion that this person has not read. */
  unread: number;
};

/** What the ledger is asked about a student who owes something in a discussion. */
export function ledgerInputOf(
  record: DiscussionRecord,
  schedule: Schedule,
  student: PersonId,
  own: readonly OwnPostRecord[],
  drafts: readonly BegunRecord[],
  now: Instant,
): LedgerInput {
  return {
    student,
    rules: countingRules(record.brief),
    side: record.part.side,
    schedule,
    // Only what counting needs: names and other discussions' figures stay behind.
    posts: own.map(({ id, kind, to, private: secret, withdrawn, hidden, versions }) => ({
      id,
      kind,
      to,
      private: secret,
      withdrawn,
      hidden,
      versions,
    })),
    begun: drafts.map(({ kind, to }) => ({ kind, to })),
    excused: record.excused,
    now,
  };
}

/** Computes where a person stands in a discussion; the one place where role, seal and ledger come together. */
export function accountOf(
  record: DiscussionRecord,
  actor: Actor,
  own: OwnPostRecord[],
  drafts: BegunRecord[],
  now: Instant,
): Account {
  const schedule = resolveSchedule(record.timetable);
  const responded = own.some((p) => p.kind === 'response');
  const staff = isStaff(record.role);
  const unread = unreadPosts(record.reading, own, staff);
  if (!owes(record.role) || record.asks) {
    const state = discussionState(schedule, now);
    return { schedule, state, ledger: null, ledgerInput: null, sealed: false, seal: null, responded, unread };
  }
  const ledgerInput = ledgerInputOf(record, schedule, actor.id, own, drafts, now);
  const account = ledger(ledgerInput);
  // What stands in an outside discussion its only reader brought in.
  const seal = record.course.outside
    ? null
    : sealFor({
        rule: { sealed: record.brief.sealed, opensWithAny: record.brief.sealOpensWithAny ?? false },
        posts: own,
        schedule,
        now,
      });
  const summary = summarise(account, now);
  return {
    schedule,
    state: discussionState(schedule, now, {
      response: summary.owedResponse,
      replies: summary.owedReplies > 0,
    }),
    ledger: account,
    ledgerInput,
    sealed: seal !== null,
    seal,
    responded,
    unread,
  };
}

export type Entered = Account & {
  record: DiscussionWithPrompt;
  staff: boolean;
  /** They look on, and write nothing. */
  onlooker: boolean;
  own: OwnPostRecord[];
  drafts: BegunRecord[];
};

export type NotFound = { code: 'not-found' };

/**
 * The door to a discussion. A discussion of a course one is not in is not found, exactly as one that does not exist.
 * Everything else that reads or writes in a discussion goes through here.
 */
export async function enterDiscussion(
  deps: Deps,
  actor: Actor,
  slug: string,
  db: Db = deps.db,
): Promise<Result<Entered, NotFound>> {
  const door = await enterRoom(deps, actor, slug, db);
  return door.ok && door.value.record.asks ? fail({ code: 'not-found' }) : door;
}

/**
 * The door to what a discussion and the questions of a course have in common: posts, and all that is done with them. Whatever has to do with
 * a prompt, or with what is owed, goes through `enterDiscussion`.
 */
export async function enterRoom(
  deps: Deps,
  actor: Actor,
  slug: string,
  db: Db = deps.db,
): Promise<Result<Entered, NotFound>> {
  const record = await roomBySlug(db, actor.id, slug);
  if (!record) return fail({ code: 'not-found' });
  const { own, drafts } = await askTogether(db, {
    own: ownPosts(db, actor.id, [record.id]),
    drafts: draftsOf(db, actor.id, [record.id]),
  });
  return ok({
    ...accountOf(record, actor, own, drafts, deps.now),
    record,
    staff: isStaff(record.role),
    onlooker: record.role === 'observer',
    own,
    drafts,
  });
}
