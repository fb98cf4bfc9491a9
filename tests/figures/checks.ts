import { discussionEntries } from '@/core/calendar/entries';
import { monthDays } from '@/core/calendar/month';
import { summarise } from '@/core/counting/summary';
import type { Instant } from '@/core/ids';
import { needsMe } from '@/core/week/needs';
import { owedAcross } from '@/core/week/owed';
import { entryKind, entryStatusText } from '@/ui/words/calendar';
import { plural } from '@/ui/words/plural';
import { standing, tallyText } from '@/ui/words/status';
import { stateName } from '@/ui/words/states';
import { clockTime, dayOf } from '@/ui/words/time';
import { minutesText, rangeText, readingText } from '@/ui/words/work';
import { before, type Wrong } from './compare';
import type { Expected } from './discussions';
import type { Shown } from './page';
import type { ExpectedWork } from './work';

/** One student at one moment: what they get to see, what it must say, and what was found wrong so far. */
export type Case = {
  zone: string;
  all: Expected[];
  work: ExpectedWork;
  now: Instant;
  see: (path: string) => Promise<Shown>;
  wrong: Wrong;
};

function owedSentence(all: Expected[], now: Instant): string {
  const owed = owedAcross(all.filter((d) => now >= d.schedule.opens).map((d) => ({ ledger: d.ledger, now })));
  const things = [
    ...(owed.responses ? [plural(owed.responses, 'response')] : []),
    ...(owed.replies ? [plural(owed.replies, 'reply', 'replies')] : []),
  ];
  return things.length ? `You owe ${things.join(' and ')} before` : 'You owe nothing this week.';
}

const find = (lines: Shown['lines'], title: string, about: string) => {
  const line = lines.find((l) => l.title === title);
  if (!line) throw new Error(`${about}: “${title}” is not there`);
  return line;
};

async function checkThisWeek({ all, work, now, see, wrong }: Case) {
  const week = await see('/');
  wrong.says(week.heading, owedSentence(all, now), 'This week');
  for (const line of week.lines) {
    const d = all.find((x) => x.title === line.title);
    if (d) wrong.same(line.tally, tallyText(d.ledger), d.title);
  }
  for (const d of all.filter((x) => x.unread > 0 && week.lines.some((l) => l.title === x.title))) {
    const news = `${plural(d.unread, 'unread post')} in ${d.course.code} week ${d.week}`;
    wrong.says(week.text, news, d.title);
  }
  if (week.text.includes(' of work at ')) {
    wrong.says(week.text, `About ${minutesText(work.open.likely)} of work`, 'This week');
    wrong.says(week.text, `(${rangeText(work.open)})`, 'This week');
  }
}

async function checkDiscussions({ all, now, see, wrong }: Case) {
  const list = await see('/discussions');
  wrong.same(list.lines.length, all.length, 'Discussions');
  for (const d of all) {
    const about = d.title;
    const line = find(list.lines, d.title, 'Discussions');
    wrong.same(line.tally, tallyText(d.ledger), about);
    wrong.says(line.text, stateName(d.state), about);
    wrong.same(before(line.text, /unread/u), d.unread, `${about}: unread`);
    wrong.same(before(line.text, /repl(?:y|ies) to you/u), d.unreadReplies, `${about}: replies`);
  }
  const needed = all.filter((d) =>
    needsMe({ state: d.state, summary: summarise(d.ledger, now), unreadReplies: d.unreadReplies }),
  );
  wrong.says(list.text, `Needs me ${needed.length}`, 'Discussions');
  wrong.says(list.text, `Any ${all.length}`, 'Discussions');
}

async function checkConversation(d: Expected, { now, see, wrong }: Case) {
  const about = d.title;
  const room = await see(`/discussions/${d.slug}/conversation?show=all`);
  wrong.same(room.labels.includes(tallyText(d.ledger)), true, about);
  const { due } = standing({ ...d, draftChecks: null, replyDrafts: 0, unreadReplies: 0 }, now);
  wrong.says(room.text, due.line, about);
  if (!due.live) wrong.says(room.text, due.head, about);
  if (d.sealed) {
    wrong.says(room.text, 'Conversation · sealed', about);
    wrong.says(
      room.text,
      d.others
        ? `${plural(d.others, 'classmate has', 'classmates have')} shared a response.`
        : 'No classmate has shared a response yet.',
      about,
    );
    wrong.same(room.threads, [], about);
    return;
  }
  wrong.says(room.text, `Conversation ${d.responses}`, about);
  const count = (that: (t: Expected['threads'][number]) => boolean) => d.threads.filter(that).length;
  for (const filter of [
    `All ${count(() => true)}`,
    `Unread ${count((t) => t.unread > 0)}`,
    `No replies yet ${count((t) => t.replies === 0 && !t.mine)}`,
    `Yours ${count((t) => t.mine || t.answered)}`,
  ])
    wrong.says(room.text, filter, about);
  wrong.same(room.threads.map((t) => t.post).sort(), d.threads.map((t) => t.id).sort(), about);
  for (const thread of d.threads) {
    const text = room.threads.find((t) => t.post === thread.id)?.text ?? '';
    const at = `${about}, thread ${thread.id}: ${text}`;
    wrong.same(before(text, /repl(?:y|ies)(?! yet)/u), thread.replies, at);
    wrong.same(before(text, /unread/u), thread.unread, at);
    wrong.same(text.includes('you answered'), thread.answered && !thread.mine, at);
  }
}

async function checkYourPart(d: Expected, { see, wrong }: Case) {
  const about = d.title;
  const part = await see(`/discussions/${d.slug}/part`);
  const words = part.verdicts.flatMap((v) => /(\d+) own words?/u.exec(v.text)?.[1] ?? []).map(Number);
  wrong.same(words.sort(), d.shared.map((p) => p.words).sort(), about);
  const said = (what: string) => part.verdicts.filter((v) => v.word === what).length;
  wrong.same(said('counted'), d.shared.filter((p) => p.counted).length, about);
  wrong.same(said('not counted'), d.shared.filter((p) => !p.counted).length, about);
}

async function checkCourseWeek(d: Expected, { work, see, wrong }: Case) {
  const about = `${d.course.code} week ${d.week}`;
  const page = await see(`/courses/${d.course.slug}/weeks/${d.week}`);
  const line = find(page.lines, d.title, about);
  wrong.same(line.tally, tallyText(d.ledger), about);
  wrong.says(line.text, stateName(d.state), about);
  wrong.same(before(line.text, /unread/u), d.unread, about);
  const readings = work.readings.filter((r) => r.course === d.course.id && r.week === d.week);
  for (const r of readings) {
    const { text } = find(page.lines, r.title, about);
    wrong.says(text, `${readingText(r.minutes)} ${r.read ? 'read' : 'not read'}`, about);
  }
  const left = readings.filter((r) => !r.read);
  const minutes = readingText(left.reduce((sum, r) => sum + r.minutes, 0));
  if (left.length) {
    wrong.says(page.text, `${plural(left.length, 'reading')} to go, about ${minutes}`, about);
  } else wrong.same(page.text.includes('to go, about'), false, about);
}

async function checkCalendar({ zone, all, work, now, see, wrong }: Case) {
  const entries = all.flatMap((d) =>
    discussionEntries(
      d.schedule,
      d.ledger,
      { response: true, replies: d.ledger.obligations.length - 1 },
      now,
    ).map((e) => ({
      ...e,
      title: d.title,
    })),
  );
  const agenda = await see('/calendar?view=agenda&day=2026-10-05');
  const within = entries.filter((e) => e.at >= Date.UTC(2026, 9, 4, 23) && e.at < Date.UTC(2026, 10, 2));
  wrong.same(within.length > 8, true, 'the calendar');
  for (const e of within) {
    const said = `${entryKind(e)}${e.extended ? ' (extended for you)' : ''} ${e.title}`;
    wrong.says(agenda.text, said, 'the calendar');
    const text = entryStatusText(e);
    if (text) wrong.says(agenda.text, text, said);
  }
  const month = await see('/calendar?view=month&month=2026-10');
  for (const day of monthDays('2026-10', zone)) {
    const inDay = (at: number) => at >= day.start && at < day.end;
    const n = entries.filter((e) => inDay(e.at)).length + work.sittings.filter((s) => inDay(s.start)).length;
    const said = n === 0 ? 'nothing' : `${n} in the agenda`;
    const label = month.labels.find((l) => l.startsWith(dayOf(day.date)));
    wrong.same(label?.split(': ').at(-1), said, day.date);
  }
}

async function checkPlan({ zone, work, see, wrong }: Case) {
  const plan = await see('/calendar/plan');
  if (work.all.likely === 0) {
    wrong.says(plan.text, 'Nothing is owed', 'the plan');
    return;
  }
  const { all, pace, sittings } = work;
  wrong.says(
    plan.text,
    `About ${minutesText(all.likely)} of work in ${plural(sittings.length, 'sitting')}, most likely ${rangeText(all)}.`,
    'the plan',
  );
  wrong.says(
    plan.text,
    `${minutesText(all.reading)} reading, ${minutesText(all.writing)} writing, ${minutesText(all.proofreading)} reading over`,
    'the plan',
  );
  wrong.says(plan.text, `${Math.round(pace.writing.wordsPerMinute)} words a minute`, 'the plan');
  wrong.says(plan.text, `reading ${Math.round(pace.reading.wordsPerMinute)}.`, 'the plan');
  wrong.same(plan.text.includes('Not all of it fits'), work.left > 0, 'the plan');
  for (const s of sittings) {
    wrong.says(plan.text, `${clockTime(s.start, zone)} to ${clockTime(s.end, zone)}`, 'the plan');
  }
}

/** Looks at every page of a student that shows a figure, and into the rooms of some discussions. */
export async function checkPages(one: Case, into: Expected[]) {
  await checkPlan(one);
  await checkCalendar(one);
  await checkThisWeek(one);
  await checkDiscussions(one);
  for (const d of into) {
    await checkConversation(d, one);
    await checkCourseWeek(d, one);
    if (d.shared.length) await checkYourPart(d, one);
  }
}
