import type { ThisWeek, WeekLine } from '@/contract/week';
import { balanceOf, summarise } from '@/core/counting/summary';
import { isStaff, owes, slugOf, type Instant } from '@/core/ids';
import { byUrgency, owedAcross } from '@/core/week/owed';
import { lane, percentOf } from '@/core/week/rail';
import { weekOf, type WeekDay } from '@/core/week/week';
import { discussionsOf, type DiscussionRecord } from '@/db/queries/discussions';
import { toSignBy } from '@/db/queries/syllabus';
import { changedPrompts } from '@/db/queries/prompt-versions';
import { followedDiscussions } from '@/db/queries/follows';
import { calendarsOffering } from '@/db/queries/followed-calendars';
import { toBeginBy } from '@/db/queries/beginnings';
import { announcementsFor, unreadAnnouncements } from '@/db/queries/announcements';
import { mentionsIn, noteCalls, openReports, repliesTo, classSizes } from '@/db/queries/news';
import { newMarks } from '@/db/queries/marks';
import { ownPosts } from '@/db/queries/own-posts';
import { askTogether } from '@/db/ask';
import { draftsOf, type BegunRecord } from '@/db/queries/drafts';
import { readingsAround, unreadReplies } from '@/db/queries/reading';
import { paceOf, type Pace } from '@/core/planning/pace';
import { sumOfWork } from '@/core/planning/work';
import { wordsToRead, workHistory, type WordsToRead } from '@/db/queries/planning';
import { assignmentsIn } from '../planning/assignments';
import { accountOf, type Account } from '../access/enter';
import type { Actor, Deps } from '../deps';

const DAY_MS = 86_400_000;
/** For who was never here before, a discussion that closed with something missed is shown for so long. */
const SHOW_MISSED_MS = 7 * DAY_MS;
/** A reply or a name that is not read stays among the news this long. */
const NEWS_MS = 14 * DAY_MS;
const ANNOUNCEMENTS = 3;
/** Without an earlier visit, "since you were here" looks back this far. */
const FIRST_VISIT_MS = 2 * DAY_MS;

type Row = { record: DiscussionRecord; account: Account; line: WeekLine };

/** Whether a discussion has a place on This week: its week is now, or something in it is open or was just missed. */
function belongs(
  { record, account }: Row,
  now: Instant,
  days: WeekDay[],
  previousVisit: Instant | null,
): boolean {
  const first = days[0];
  const last = days[6];
  if (first && last && record.week.startsOn >= first.date && record.week.startsOn <= last.date) return true;
  if (now < account.schedule.opens || !account.ledger) return false;
  const summary = summarise(account.ledger, now);
  if (summary.next) return true;
  return (
    summary.missed + summary.short > 0 &&
    now >= account.schedule.closes &&
    // What was seen here on a visit before is past; Discussions and Your part go on saying it.
    account.schedule.closes > (previousVisit ?? now - SHOW_MISSED_MS)
  );
}

function aheadOf(
  rows: Row[],
  drafts: BegunRecord[],
  unread: WordsToRead,
  pace: Pace,
  now: Instant,
): ThisWeek['ahead'] {
  const open = rows.filter((r) => now >= r.account.schedule.opens);
  const assignments = open
    .flatMap(({ record, account }) => {
      const mine = drafts.filter((d) => d.discussion === record.id);
      return assignmentsIn({ record, account, drafts: mine, unread }, pace, now);
    })
    .sort((a, b) => a.deadline - b.deadline);
  const [next] = assignments;
  return {
    work: sumOfWork(assignments.map((a) => a.work)),
    next: next ? { minutes: next.work.likely } : null,
    sittings: pace.writing.from,
  };
}

/** Everything This week shows, in one trip to the database, whatever the size of the class. */
export async function thisWeek(deps: Deps, actor: Actor): Promise<ThisWeek> {
  const { db, now } = deps;
  const from = actor.previousVisit ?? ((now - FIRST_VISIT_MS) as Instant);
  // What one has not read does not go by itself.
  const news = Math.min(from, now - NEWS_MS) as Instant;
  const found = await askTogether(db, {
    records: discussionsOf(db, actor.id, { around: now }),
    own: ownPosts(db, actor.id),
    drafts: draftsOf(db, actor.id),
    unread: unreadReplies(db, actor.id),
    replies: repliesTo(db, actor.id, news, 5),
    mentions: mentionsIn(db, actor.id, news, 5),
    notes: noteCalls(db, actor.id, from, 6),
    marks: newMarks(db, actor.id, 5),
    changed: changedPrompts(db, actor.id, news, 4),
    toSign: toSignBy(db, actor.id),
    toBegin: toBeginBy(db, actor.id),
    offering: calendarsOffering(db, actor.id),
    readings: readingsAround(db, actor.id, now),
    followed: followedDiscussions(db, actor.id),
    announcements: announcementsFor(db, actor.id, now, ANNOUNCEMENTS, { unreadFirst: true }),
    unreadNews: unreadAnnouncements(db, actor.id, now),
    reports: openReports(db, actor.id),
    students: classSizes(db, actor.id),
    toRead: wordsToRead(db, actor.id),
    history: workHistory(db, actor.id),
  });
  const { records, own, drafts, unread, replies, announcements, toRead, history } = found;
  const pace = paceOf(history.writing, history.reading);

  const days = weekOf(now, actor.timeZone, actor.weekBegins);
  const rows = records.map((record): Row => {
    const mine = drafts.filter((d) => d.discussion === record.id);
    const account = accountOf(
      record,
      actor,
      own.filter((p) => p.discussion === record.id),
      mine,
      now,
    );
    const { schedule, ledger, state, sealed } = account;
    return {
      record,
      account,
      line: {
        slug: record.slug,
        title: record.title,
        course: {
          code: record.course.code,
          slug: record.course.slug,
          title: record.course.title,
          outside: record.course.outside,
        },
        week: record.week.number,
        state,
        sealed,
        schedule,
        ledger: ledger && balanceOf(ledger),
        draftChecks: mine.find((d) => d.kind === 'response')?.checks ?? null,
        replyDrafts: mine.filter((d) => d.kind === 'reply').length,
        unread: account.unread,
        unreadReplies: unread.get(record.id) ?? 0,
        teaching: !owes(record.role)
          ? {
              responses: record.responses,
              students: found.students.get(record.course.id) ?? 0,
              reports: isStaff(record.role) ? (found.reports.get(record.id) ?? 0) : 0,
            }
          : null,
      },
    };
  });

  const shown = rows.filter((row) => belongs(row, now, days, actor.previousVisit));
  const begun = rows.flatMap(({ account: { ledger, schedule } }) =>
    ledger && now >= schedule.opens ? [{ ledger, now }] : [],
  );
  const of = (id: string) => rows.find((r) => r.record.id === id);
  const start = days[0]?.start ?? now;
  const end = days[6]?.end ?? now;
  return {
    now,
    zone: actor.timeZone,
    owed: owedAcross(begun),
    lines: shown
      .sort((a, b) =>
        a.line.ledger && b.line.ledger
          ? byUrgency({ ledger: a.line.ledger, now }, { ledger: b.line.ledger, now })
          : a.line.schedule.replies.due - b.line.schedule.replies.due,
      )
      .map((r) => r.line),
    rail: {
      days,
      today: days.findIndex((d) => now >= d.start && now < d.end),
      nowAt: percentOf(now, start, end),
      lanes: [...shown]
        .filter((r) => owes(r.record.role))
        .sort((a, b) => a.record.course.code.localeCompare(b.record.course.code))
        .flatMap(({ record, account: { schedule, ledger } }) => {
          if (!ledger || schedule.closes <= start || schedule.opens >= end) return [];
          const course = { code: record.course.code, title: record.course.title };
          const drawn = lane({ schedule, ledger, from: start, to: end, now });
          return drawn.stretches.length || drawn.stops.length
            ? [{ course, week: record.week.number, lane: drawn }]
            : [];
        }),
    },
    since: {
      from: actor.previousVisit,
      replies: replies.flatMap((r) => {
        const row = of(r.discussion);
        if (!row || row.account.sealed) return [];
        return [
          {
            post: r.id,
            slug: row.record.slug,
            course: row.record.course.code,
            author: r.author,
            sharedAt: r.sharedAt,
            opening: r.opening,
          },
        ];
      }),
      mentions: found.mentions.flatMap((m) => {
        const row = of(m.discussion);
        if (!row || row.account.sealed) return [];
        const { slug, course } = row.record;
        return [{ post: m.id, slug, course: course.code, author: m.author, sharedAt: m.sharedAt }];
      }),
      notes: found.notes,
      marks: found.marks,
      changed: found.changed.flatMap(({ discussion, at }) => {
        const row = of(discussion);
        if (!row || actor.previousVisit === null || at <= actor.previousVisit) return [];
        const { slug, title, course } = row.record;
        return [{ slug, title, course: course.code, at }];
      }),
      unread: shown
        .filter((r) => r.line.unread > 0)
        .map(({ line }) => ({
          slug: line.slug,
          course: line.course.code,
          week: line.week,
          n: line.unread,
          sealed: line.sealed,
        })),
    },
    toSign: found.toSign.map(({ code, slug }) => ({ code, slug: slugOf({ code, slug }) })),
    toBegin: found.toBegin,
    offering: found.offering,
    later: {
      readings: found.readings
        .filter((r) =>
          shown.some(
            ({ record, account }) =>
              record.course.id === r.course &&
              record.week.number === r.week &&
              account.state !== 'upcoming' &&
              account.state !== 'closed',
          ),
        )
        .map((r) => r.slug),
      conversations: rows
        .filter(({ record, account }) => found.followed.get(record.id) === true && !account.sealed)
        .map(({ record }) => record.slug),
    },
    inCourses: found.students.size > 0,
    announcements,
    moreAnnouncements: found.unreadNews - announcements.filter((a) => a.readAt === null).length,
    ahead: aheadOf(rows, drafts, toRead, pace, now),
  };
}
