import { documentFromText } from '@/core/document/compose';
import { instant, postId, type Instant } from '@/core/ids';
import { dealPosts } from '@/server/notices/deal';
import { keepNoteToSelf } from '@/server/notes/note-to-self';
import { share } from '@/server/posts/share';
import { reactToPost } from '@/server/posts/react';
import { actOnQuestion } from '@/server/questions/act';
import { askQuestion } from '@/server/questions/ask';
import { questionsPage } from '@/server/questions/questions';
import type { Actor, Deps } from '@/server/deps';
import { CLASSES } from './people';
import { NOTEBOOK } from './notebook';
import { QUESTIONS, type WorldQuestion } from './questions';

const HOUR_MS = 3_600_000;

type Made = {
  idOf: (kind: string, name: string) => string;
  actor: (name: string) => Actor;
  at: (said: { week: number; day: number; time: string }) => Instant;
  /** What the wall clock of the demo's courses shows then. */
  wall: (said: { week: number; day: number; time: string }) => string;
};

/** A use-case of the demo went through, or the demo is wrong. */
function done<T>(what: string, result: { ok: true; value: T } | { ok: false; failure: { code: string } }): T {
  if (!result.ok) throw new Error(`${what}: ${result.failure.code}`);
  return result.value;
}

async function addQuestion(db: Deps['db'], now: Instant, question: WorldQuestion, made: Made) {
  const { idOf, actor, at } = made;
  const { course, title, kind = 'asks', audience = 'everybody', cover = 'no', about = null } = question;
  const deps = { db, now: at(question) };
  const name = `question ${course} ${title}`;
  const { number } = done(
    name,
    await askQuestion(deps, actor(question.by), course, {
      submission: idOf('submission', name),
      title,
      doc: documentFromText(question.text),
      asking: { kind, audience, cover, about },
      hands: question.hands
        ? {
            choices: question.hands.choices.map(([choice]) => choice),
            several: false,
            named: false,
            shown: 'voted',
            closes: made.wall(question.hands.closes),
          }
        : null,
      meets: question.meets
        ? {
            starts: made.wall(question.meets.starts),
            minutes: question.meets.minutes,
            place: question.meets.place,
            slots: question.meets.slots,
          }
        : null,
    }),
  );
  const { room, open } = done(
    name,
    await questionsPage(deps, actor(question.by), course, {
      show: 'all',
      week: null,
      label: null,
      page: 1,
      number,
      post: null,
      ask: null,
    }),
  );
  const act = (by: string, as: Parameters<typeof actOnQuestion>[4], when: Instant) =>
    actOnQuestion({ db, now: when }, actor(by), course, number, as).then((r) => done(name, r));
  for (const answer of question.answers ?? []) {
    const when = at(answer);
    if (when > now) continue;
    const { post } = done(
      name,
      await share({ db, now: when }, actor(answer.by), room, {
        kind: 'reply',
        parent: open?.line.post ?? null,
        submission: idOf('submission', `${name} ${answer.by} ${answer.time}`),
        title: '',
        doc: documentFromText(answer.text),
        private: false,
      }),
    );
    await dealPosts({ db, now: when });
    const later = instant(Math.min(now, when + HOUR_MS));
    for (const person of answer.right ?? [])
      done(
        name,
        await reactToPost({ db, now: later }, actor(person), room, postId(post), {
          kind: 'well-said',
          on: true,
        }),
      );
    if (question.saved) await act(answer.by, { act: 'save-answer', post }, later);
    if (answer.confirmed) await act(answer.confirmed, { act: 'confirm', post }, later);
  }
  const staff =
    course === 'geo-115' ? 'Dr. Maren Holt' : course === 'pla-204' ? 'Prof. Elias Wick' : 'Odile Marchetti';
  if (question.label) await act(staff, { act: 'label', label: question.label }, now);
  if (question.kept) await act(staff, { act: 'keep' }, now);
  if (question.openWanted) await act(staff, { act: 'want-open' }, now);
  for (const [slot, person] of question.meets?.taken ?? [])
    await act(person, { act: 'take-slot', slot }, now);
  if (question.taken) await act(question.taken, { act: 'take' }, now);
  if (question.settled) await act(question.by, { act: 'settle' }, now);
  // Of the class from its end on: Imani has not said yet.
  const class_ = [...(CLASSES['GEO 115'] ?? [])].reverse();
  for (const [choice, [, n]] of (question.hands?.choices ?? []).entries())
    for (const person of class_.splice(0, n)) await act(person, { act: 'raise', choice: [choice] }, now);
  for (const person of question.spared ?? []) await act(person, { act: 'spared' }, now);
}

/** What was asked and told in the courses until now, through the same use-cases as in life. */
export async function addQuestions(db: Deps['db'], now: Instant, made: Made) {
  const asked = QUESTIONS.filter((q) => made.at(q) <= now);
  for (const question of [...asked].sort((a, b) => made.at(a) - made.at(b)))
    await addQuestion(db, now, question, made);
  for (const { by, discussion, text } of NOTEBOOK)
    await keepNoteToSelf({ db, now }, made.actor(by), discussion, { body: text });
}
