import { personId, type Instant } from '@/core/ids';
import type { Habits } from '@/core/desk/habits';
import { wallClockAt } from '@/core/deadlines/wallclock';
import { documentFromText } from '@/core/document/compose';
import { handOver } from '@/server/drafts/hand-over';
import { changeMaterial, materialPage } from '@/server/courses/material';
import { sayTimes } from '@/server/courses/own-times';
import { signSyllabus } from '@/server/courses/sign-syllabus';
import { announce } from '@/server/courses/announcements';
import type { Actor, Deps } from '@/server/deps';
import { actOnClass, type ClassAct } from '@/server/desk/class';
import { actOnGroups, groupsPage } from '@/server/desk/groups';
import { actOnParts } from '@/server/desk/parts-played';
import { makeDiscussion, promptPage, takePromptIn } from '@/server/desk/prompts';
import { reportTrouble } from '@/server/desk/troubles';
import type { QuestionRules } from '@/core/questions/asking';
import { changeSettings } from '@/server/desk/settings';
import { changeSyllabus, deskSyllabusPage } from '@/server/desk/syllabus';
import { noteDifferences } from '@/server/desk/differences';
import { enterDesk } from '@/server/desk/enter';
import { addWeek, termPage, weekSchema } from '@/server/desk/term';

import { GEO } from './geo';
import { CLASSES } from './people';
import { PLA } from './pla';
import { SND } from './snd';

const DAY_MS = 86_400_000;
const COURSE = 'geo-115';
const INSTRUCTOR = 'Dr. Maren Holt';

const PROMPT = `Who speaks for the eels?

Eels need the whole river, from the sea to the smallest ditch, and every weir on it belongs to somebody. In at least 300 words, say who should speak for them where a weir is mended, and why anybody should listen. Use one source.

1. Who decides about a weir today?
2. Who is not heard, and what would they say?

Then reply to two classmates in at least 40 words each.`;

const THURSDAY = { day: 4, time: '23:59' };
const SUNDAY = { day: 7, time: '23:59' };

/** What the demo's courses are called this term, and how each does it. */
const PLAIN = { coverFromStaff: false, hours: '', corner: '' };
const SETTINGS: {
  course: string;
  by: string;
  title: string;
  habits: Habits;
  questions: QuestionRules;
}[] = [
  {
    course: COURSE,
    by: INSTRUCTOR,
    title: GEO.title,
    habits: { response: THURSDAY, replies: SUNDAY, late: GEO.late, points: 20 },
    questions: {
      coverFromStaff: false,
      hours: 'Dr. Holt is there Tuesday 15:00 to 16:00, room 4.12 or by telephone.',
      corner: 'The bench by the weir',
    },
  },
  {
    course: 'pla-204',
    by: 'Prof. Elias Wick',
    title: PLA.title,
    habits: {
      response: { day: 3, time: '18:00' },
      replies: { day: 6, time: '18:00' },
      late: PLA.late,
      points: 20,
    },
    questions: { ...PLAIN, coverFromStaff: true },
  },
  {
    course: 'snd-130',
    by: 'Odile Marchetti',
    title: SND.title,
    habits: { response: THURSDAY, replies: SUNDAY, late: SND.late, points: null },
    questions: PLAIN,
  },
];

/** A prompt that is still being written: pasted, and waiting on the desk. */
const WAITING =
  'Take a map of the valley from before 1900 and one of today. In at least 200 words, say what the river has lost. Reply to three classmates.';

type Named = {
  idOf: (kind: string, name: string) => string;
  timeZone: string;
  /** The week after the last that the course has. */
  week: { number: number; startsOn: string };
};

/**
 * What lies on an instructor's desk in the sixth week: a discussion of a week ahead that is not shown yet, and a prompt that was taken in
 * and waits to be confirmed. Done by the use-cases, as in life.
 */
export async function addDesk(db: Deps['db'], now: Instant, { idOf, timeZone, week }: Named) {
  const deps = (days: number): Deps => ({ db, now: (now - days * DAY_MS) as Instant });
  const actor = { id: personId(idOf('person', INSTRUCTOR)), name: INSTRUCTOR, timeZone, previousVisit: null };
  const taken = async (text: string, days: number) => {
    const done = await takePromptIn(deps(days), actor, COURSE, { text, html: '', files: [] });
    if (!done.ok) throw new Error(`the demo’s prompt was not taken in: ${done.failure.code}`);
    return done.value.id;
  };
  const { number, startsOn } = week;
  await addWeek(
    deps(4),
    actor,
    COURSE,
    weekSchema.parse({ number, title: 'Eels and weirs', startsOn, overview: '' }),
  );
  const id = await taken(PROMPT, 4);
  const page = await promptPage(deps(4), actor, COURSE, id);
  if (!page.ok) throw new Error('the demo’s prompt is on the desk');
  const made = await makeDiscussion(deps(3), actor, COURSE, id, {
    fields: {
      ...page.value.fields,
      title: 'Who speaks for the eels?',
      week: String(number),
      responseDue: `${dayAfter(startsOn, 3)}T23:59`,
      repliesDue: `${dayAfter(startsOn, 6)}T23:59`,
      'leader.replies': '5',
    },
  });
  if (!made.ok) throw new Error('the demo’s prompt is no discussion');
  await taken(WAITING, 1);
  await addClass({ deps, actor, idOf });
  await addGroups({ deps, actor, idOf }, made.value.slug);
  await addSigning({ deps, actor, idOf });
  await addHanded({ deps, actor, idOf });
  // What the prompts of the world say otherwise than their briefs is noted as if they had just been changed.
  for (const { course, by } of SETTINGS) {
    const teacher = { ...actor, id: personId(idOf('person', by)), name: by };
    const term = await termPage(deps(0), teacher, course);
    const all = term.ok ? term.value.weeks.flatMap((w) => w.discussions) : [];
    const place = await enterDesk(deps(0), teacher, course);
    if (place.ok) for (const d of all) await noteDifferences(deps(0), db, teacher, place.value.id, d.slug);
  }
  for (const { course, by, ...said } of SETTINGS) {
    const teacher = { ...actor, id: personId(idOf('person', by)), name: by };
    const done = await changeSettings(deps(40), teacher, course, {
      term: 'Autumn 2026',
      holidays: [{ from: dayAfter(startsOn, -6), to: dayAfter(startsOn, -4), name: 'Harvest days' }],
      ...said,
    });
    if (!done.ok) throw new Error(`${course} has no desk`);
  }
}

const BEGINNING = `Welcome. This course is a walk along one river, a week at a time: a short reading, a question, and what you make of it together.

A week goes like this. On Monday the prompt opens. By Thursday night you share your own response; only then do you see what the others wrote. By Sunday night you answer two of them, whoever has been left without an answer first.

> Nobody is marked for agreeing. Bring one thing that you saw yourself.

If something is in your way, ask for more time from the head of the discussion, or write to me: I answer within two working days.`;

type At = { deps: (days: number) => Deps; actor: Actor; idOf: Named['idOf'] };

/** Time that two have all term, a word to some, one to everybody that waits for its day, and what two say is broken. */
async function addClass({ deps, actor, idOf }: At) {
  const people = (...names: string[]) => names.map((name) => idOf('person', name));
  const acts: [number, ClassAct][] = [
    [
      37,
      { act: 'hours', people: people('Zainab Thorne'), hours: 24, reason: 'Agreed with the access office.' },
    ],
    [
      30,
      { act: 'hours', people: people('Otto Maddern'), hours: 12, reason: 'Night shifts until Christmas.' },
    ],
    [
      1,
      {
        act: 'tell',
        at: '',
        people: people('Hollis Penrose', 'Samuel Okafor-Reid', 'Gareth Ivory'),
        title: 'How is week 6 going?',
        body: 'I have not seen you in the last two discussions. Is there something I can make easier? Write to me, or ask for more time from the head of the discussion.',
      },
    ],
  ];
  for (const [days, act] of acts) {
    const done = await actOnClass(deps(days), actor, COURSE, act);
    if (!done.ok) throw new Error(`the demo’s class: ${done.failure.code}`);
  }
  for (const [days, name, text] of [
    [0.2, 'Gareth Ivory', 'The map behind “the 1953 line” does not open on my phone.'],
    [0.1, 'Ines Calloway', 'Same as Gareth: the map stays grey.'],
  ] as const) {
    const by = { ...actor, id: personId(idOf('person', name)), name };
    const told = await reportTrouble(deps(days), by, 'discussions', 'geo-115-w6', text);
    if (!told.ok) throw new Error(`${name} has nothing to say of that prompt`);
  }
  const desk = await materialPage(deps(41), actor, { of: 'first page', slug: COURSE });
  if (!desk.ok) throw new Error('the demo’s first page has no desk');
  const begun = await changeMaterial(
    deps(41),
    actor,
    { of: 'first page', slug: COURSE },
    { doc: documentFromText(BEGINNING), stamp: desk.value.stamp },
  );
  if (!begun.ok) throw new Error(`the demo’s first page: ${begun.failure.code}`);
  const said = await announce(deps(0), actor, COURSE, {
    title: 'The walk on Saturday begins at the gauge house',
    body: 'Ten o’clock at the gauge house, whatever the weather. Who cannot come finds the pictures here in the evening.',
    at: `${wallClockAt((deps(0).now + 2 * DAY_MS) as Instant, actor.timeZone).slice(0, 10)}T09:00`,
  });
  if (!said.ok) throw new Error(`the demo’s announcement: ${said.failure.code}`);
}

const LATE_WORDS = [
  'The farmer owns the field and the state owns the water, at least on paper. But the water table does not stop at a hedge, and when my uncle ran three pumps through one dry July the well of the next farm went quiet within a week. That is shared storage: what one takes out, the other cannot.',
  'So I would say nobody owns it before it is pumped, and everybody owes something after. An overdraft at the bank is written down. An overdraft of a field should be, too.',
];

/** A draft that a student in trouble handed over after the deadline, and that waits for an answer. */
async function addHanded({ deps, actor, idOf }: At) {
  const name = 'Hollis Penrose';
  const by = { ...actor, id: personId(idOf('person', name)), name };
  const done = await handOver(deps(0.4), by, 'geo-115-w5', {
    kind: 'response',
    parent: null,
    title: 'Written down like an overdraft',
    doc: documentFromText(LATE_WORDS.join('\n\n')),
    said: 'The power went at half past eleven on Thursday. I had this in the editor and could not share it.',
  });
  if (!done.ok) throw new Error(`the demo’s draft: ${done.failure.code}`);
}

/** A syllabus that the class signs; four have not yet. */
async function addSigning({ deps, actor, idOf }: At) {
  const page = await deskSyllabusPage(deps(41), actor, COURSE);
  if (!page.ok) throw new Error('the demo has a syllabus');
  const { fields } = page.value;
  const kept = await changeSyllabus(deps(41), actor, COURSE, { fields, toSign: true });
  if (!kept.ok) throw new Error('the demo’s syllabus');
  for (const name of (CLASSES['GEO 115'] ?? []).slice(0, -4)) {
    const by = { ...actor, id: personId(idOf('person', name)), name };
    const done = await signSyllabus(deps(36), by, COURSE, 1);
    if (!done.ok) throw new Error(`${name} signs: ${done.failure.code}`);
  }
}

const FIELD_GROUPS = ['Upper Amber', 'Orrin Weir', 'The meadows', 'The tidal reach'];

/** Field groups of one course, the two sides of a week to come, and who leads the last one. */
async function addGroups({ deps, actor, idOf }: At, led: string) {
  const insist = async (done: Promise<{ ok: boolean }>, what: string) => {
    if (!(await done).ok) throw new Error(`the demo’s ${what}`);
  };
  const ids = (names: readonly string[]) => names.map((name) => idOf('person', name));
  const names = CLASSES['GEO 115'] ?? [];
  for (const name of FIELD_GROUPS)
    await insist(actOnGroups(deps(9), actor, COURSE, { act: 'make', name }), name);
  for (const [i, name] of names.entries()) {
    // Two of three have said when they can work: evenings, and some of the mornings.
    if (i % 3 === 2) continue;
    const by = { ...actor, id: personId(idOf('person', name)), name };
    await insist(sayTimes(deps(10), by, COURSE, [2, 5, 8, 17, ...(i % 2 ? [15, 18] : [0, 11])]), 'times');
  }
  const page = await groupsPage(deps(9), actor, COURSE);
  if (!page.ok) throw new Error('the demo has groups');
  for (const { id, name } of page.value.groups) {
    const n = FIELD_GROUPS.indexOf(name);
    // Two joined the course last, and are in no group yet.
    const people = ids(names.slice(0, -2).filter((_, i) => i % FIELD_GROUPS.length === n));
    await insist(actOnGroups(deps(9), actor, COURSE, { act: 'move', people, group: id }), name);
  }
  for (const [i, side] of (['1', '2'] as const).entries()) {
    const people = ids(names.filter((_, n) => n % 2 === i));
    await insist(actOnParts(deps(2), actor, COURSE, 'geo-115-w7', { act: 'side', people, side }), 'sides');
  }
  const leaders = ids(['Teodora Lind', 'Viktor Amadi']);
  await insist(actOnParts(deps(2), actor, COURSE, led, { act: 'lead', people: leaders }), 'leaders');
}

const dayAfter = (date: string, days: number) =>
  new Date(Date.parse(`${date}T00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);
