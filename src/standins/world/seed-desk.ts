import { personId, type Instant } from '@/core/ids';
import type { Deps } from '@/server/deps';
import { makeDiscussion, promptPage, takePromptIn } from '@/server/desk/prompts';
import { addWeek, weekSchema } from '@/server/desk/term';

const DAY_MS = 86_400_000;
const COURSE = 'geo-115';
const INSTRUCTOR = 'Dr. Maren Holt';

const PROMPT = `Who speaks for the eels?

Eels need the whole river, from the sea to the smallest ditch, and every weir on it belongs to somebody. In at least 300 words, say who should speak for them where a weir is mended, and why anybody should listen. Use one source.

1. Who decides about a weir today?
2. Who is not heard, and what would they say?

Then reply to two classmates in at least 40 words each.`;

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
    ...page.value.suggestion.fields,
    title: 'Who speaks for the eels?',
    week: String(number),
    responseDue: `${dayAfter(startsOn, 3)}T23:59`,
    repliesDue: `${dayAfter(startsOn, 6)}T23:59`,
  });
  if (!made.ok) throw new Error('the demo’s prompt is no discussion');
  await taken(WAITING, 1);
}

const dayAfter = (date: string, days: number) =>
  new Date(Date.parse(`${date}T00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);
