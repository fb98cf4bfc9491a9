import type { QuestionOffer } from '@/contract/questions';
import { askedBefore, meaningOf, nearest, textsOf, type Known } from '@/core/questions/asked-before';
import { resolveSchedule } from '@/core/deadlines/schedule';
import type { Instant } from '@/core/ids';
import { ruledBy } from '@/core/questions/ruled';
import { ok, type Result } from '@/core/result';
import type { Syllabus } from '@/core/syllabus/syllabus';
import { askTogether } from '@/db/ask';
import { announcementsFor, type AnnouncementRecord } from '@/db/queries/announcements';
import { syllabusOf } from '@/db/queries/courses';
import { discussionsOf, type DiscussionRecord } from '@/db/queries/discussions';
import { learntQuestions, wordsOf } from '@/db/queries/question-meanings';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { readFor } from '../readers/readers';
import { meaningsFor } from './known';
import { enterQuestions, questionLinesFor } from './questions';

/** Of fewer letters nothing is meant yet. */
const FEWEST = 8;
/** The latest announcements, the paragraphs of the syllabus and the rules of what is open that are looked at: what one reading can take. */
const MOST_PIECES = 40;

type Piece = { offer: QuestionOffer; title: string; text: string };

/** What the syllabus says, a paragraph a piece. */
const ruled = (syllabus: Syllabus | null): Piece[] =>
  (syllabus
    ? [
        ...syllabus.notes.split(/\n\s*\n/u),
        `When are answers to be expected? ${syllabus.contact.answers}`,
        ...syllabus.officeHours.map((h) => `Office hours, ${h.from} to ${h.to}: ${h.place}`),
      ]
    : []
  )
    .map((text) => text.trim())
    .filter(Boolean)
    .map((text) => ({ offer: { of: 'syllabus', text: text.slice(0, 300) }, title: '', text }));

/** What the rules of a discussion say that is open to somebody now. */
const rulesOf = ({ slug, title, brief, timetable }: DiscussionRecord): Piece[] =>
  ruledBy(brief, timetable.late).map((text) => ({
    offer: { of: 'rules', slug, title, text },
    title: '',
    text: `${title}. ${text}`,
  }));

const isOpenNow = (record: DiscussionRecord, now: Instant): boolean => {
  const { opens, closes } = resolveSchedule(record.timetable);
  return now >= opens && now < closes;
};

const announced = (all: readonly AnnouncementRecord[]): Piece[] =>
  all.map((a) => ({
    offer: { of: 'announcement', id: a.id, title: a.title },
    title: a.title,
    text: a.body,
  }));

/**
 * What has been asked, answered, announced or ruled already and is near to what somebody is about to ask, the nearest first: of what they may read, and nothing
 * where nothing is near.
 */
export async function offersFor(
  deps: Deps,
  actor: Actor,
  slug: string,
  text: string,
): Promise<Result<{ offers: QuestionOffer[] }, NotFound>> {
  const door = await enterQuestions(deps, actor, slug);
  if (!door.ok) return door;
  const typed = text.trim();
  if (typed.length < FEWEST) return ok({ offers: [] });
  const { course, entered } = door.value;
  const found = await askTogether(deps.db, {
    questions: learntQuestions(deps.db, course.id, { id: actor.id, staff: entered.staff }),
    announcements: announcementsFor(deps.db, actor.id, deps.now, 15, { course: course.id }),
    discussions: discussionsOf(deps.db, actor.id, { course: course.id }),
    syllabus: syllabusOf(deps.db, course.id),
  });
  const open = found.discussions.filter((d) => isOpenNow(d, deps.now));
  const pieces = [
    ...open.flatMap(rulesOf).slice(0, MOST_PIECES / 2),
    ...announced(found.announcements),
    ...ruled(found.syllabus),
  ].slice(0, MOST_PIECES);
  const texts = pieces.map((p) => textsOf({ id: '', title: p.title, text: p.text, answer: '' })[2]);
  const [asked, rest] = await Promise.all([
    readFor(deps, actor, 'meanings', { texts: [typed] }),
    readFor(deps, actor, 'meanings', { texts }),
  ]);
  const [meaning] = asked.ok ? asked.value : [];
  // What could not be read in time is offered the next time: asking does not wait for it.
  if (!meaning) return ok({ offers: [] });
  const learnt = await meaningsFor(deps.db, found.questions);
  // Of those that are far in what they mean no words are read.
  const meansOf = new Map(learnt.map((q) => [q.id, q.meaning]));
  const read = await wordsOf(deps.db, nearest(meaning, learnt));
  const known: Known[] = [
    ...read.flatMap((q): Known[] => {
      const means = meansOf.get(q.id);
      return means ? [{ ...q, meaning: means }] : [];
    }),
    ...(rest.ok
      ? pieces.flatMap((p, i): Known[] => {
          const vector = rest.value[i];
          return vector
            ? [{ id: `piece ${i}`, title: p.title, text: p.text, answer: '', meaning: meaningOf([vector]) }]
            : [];
        })
      : []),
  ];
  const near = askedBefore({ text: typed, meaning }, known);
  const lines = near.some((o) => !o.id.startsWith('piece'))
    ? await questionLinesFor(deps, actor, door.value)
    : [];
  return ok({
    offers: near.flatMap(({ id }): QuestionOffer[] => {
      if (id.startsWith('piece '))
        return pieces
          .slice(Number(id.slice(6)))
          .slice(0, 1)
          .map((p) => p.offer);
      const line = lines.find((l) => String(l.post) === id);
      return line
        ? [{ of: 'question', number: line.number, title: line.title, state: line.state, by: line.by }]
        : [];
    }),
  });
}
