import type { JudgedText } from '@/contract/part';
import type { AskedForTime, DiscussionHead, OpenDraft } from '@/contract/discussion';
import type { RubricSheet } from '@/contract/rubric';
import { paceOf } from '@/core/planning/pace';
import { readingMinutes } from '@/core/reading/minutes';
import { contradictions, type Contradiction } from '@/core/syllabus/contradictions';
import { askTogether } from '@/db/ask';
import { recordingOf } from '@/db/queries/recordings';
import { viewingsDone } from '@/db/queries/viewings';
import { askedForTime } from '@/db/queries/time-requests';
import { ownHanded, type HandedOwn } from '@/db/queries/handed-over';
import { promptChanged, type PromptChanged } from '@/db/queries/prompt-versions';
import { noteToSelf, type NoteToSelf } from '@/db/queries/notes-to-self';
import { readingBySlug, readingsOf, syllabusOf } from '@/db/queries/courses';
import { mentionsOf, type Mention } from '@/core/reading/mentions';
import type { Viewing } from '@/core/viewings/viewing';
import { estimateAsk } from '../rubric/rubric';
import { workHistory } from '@/db/queries/planning';
import type { Refusal } from '@/core/counting/permission';
import type { LedgerInput } from '@/core/counting/types';
import { startingDocument } from '@/core/document/compose';
import type { Doc } from '@/core/document/nodes';
import type { PostId } from '@/core/ids';
import { ok, type Result } from '@/core/result';
import { disagreements, type Disagreement } from '@/core/prompts/disagreements';
import type { Requirement } from '@/core/prompts/on-document';
import { draftFor } from '@/db/queries/drafts';
import { sharedTexts } from '@/db/queries/own-posts';
import { enterDiscussion, type Entered, type NotFound } from '../access/enter';
import { refused } from '../access/refused';
import type { Actor, Deps } from '../deps';
import { quotable } from '../posts/check-text';
import { givenTo } from '../posts/given';
import { readFor } from '../readers/readers';
import { openDraft } from '../drafts/open';
import { judgedText } from './shared-text';
import { headOf } from './head';

export type ResponseRoom = {
  head: DiscussionHead;
  prompt: Doc;
  draft: OpenDraft;
  refused: Refusal | null;
  ledgerInput: LedgerInput | null;
  /** The student's shared responses, first one first. */
  shared: JudgedText[];
  /** Where this discussion says other than its course's syllabus. */
  contradictions: Contradiction[];
  /** What the prompt's text requires, where it says so. */
  requirements: Requirement[];
  /** Where that is not what its confirmed brief says. */
  disagreements: Disagreement[];
  /** The readings of its week. */
  readings: { slug: string; title: string; minutes: number; read: boolean }[];
  /** Where the prompt names readings of its course. */
  mentions: Mention[];
  /** A reading that was asked for around the writing. */
  openReading: { slug: string; title: string; author: string; minutes: number; doc: Doc } | null;
  sheet: RubricSheet | null;
  viewings: (Viewing & { done: boolean })[];
  recording: { id: string; speaker: string } | null;
  note: NoteToSelf | null;
  /** What became of asking for more time. */
  asked: AskedForTime | null;
  /** What the prompt asks was changed while the class saw it. */
  changed: PromptChanged | null;
  /** What became of drafts that were handed to the staff. */
  handed: HandedOwn[];
};

export async function responseRoom(
  deps: Deps,
  actor: Actor,
  slug: string,
  asked: { reading: string | null } = { reading: null },
): Promise<Result<ResponseRoom, NotFound>> {
  const door = await enterDiscussion(deps, actor, slug);
  return door.ok ? ok(await roomOf(deps, actor, door.value, asked)) : door;
}

/** What stands in the room of the response for somebody who has entered it. */
export async function roomOf(
  deps: Deps,
  actor: Actor,
  entered: Entered,
  asked: { reading: string | null },
): Promise<ResponseRoom> {
  const { record, staff } = entered;
  const { course } = record;
  const [draft, versions, open, quoted, around] = await Promise.all([
    draftFor(deps.db, { author: actor.id, discussion: record.id, kind: 'response', parent: null }),
    sharedTexts(deps.db, actor.id, record.id),
    asked.reading === null ? null : readingBySlug(deps.db, actor.id, asked.reading),
    staff ? [] : quotable(deps.db, record),
    askTogether(deps.db, {
      syllabus: syllabusOf(deps.db, course.id),
      readings: readingsOf(deps.db, course.id, actor.id),
      history: workHistory(deps.db, actor.id),
      estimate: estimateAsk(deps, actor.id, entered),
      done: viewingsDone(deps.db, actor.id, record.id),
      recording: recordingOf(deps.db, { discussion: record.id }),
      note: noteToSelf(deps.db, actor.id, record.id),
      asked: askedForTime(deps.db, actor.id, record.id),
      changed: promptChanged(deps.db, record.id),
      handed: ownHanded(deps.db, actor.id, record.id),
    }),
  ]);
  const given = staff ? [] : await givenTo(deps.db, actor, entered, 'response', null);
  const { syllabus, readings, history } = around;
  const pace = paceOf(history.writing, history.reading);
  const { late, responseDue, repliesDue } = record.timetable;
  const read = await readFor(deps, actor, 'prompt', { doc: record.prompt });
  const { facts, requirements } = read.ok ? read.value : { facts: [], requirements: [] };
  // What was taken back is a draft again.
  const responses = new Set<PostId>(
    entered.own.filter((p) => p.kind === 'response' && !p.withdrawn).map((p) => p.id),
  );
  return {
    head: headOf(deps, entered),
    prompt: record.prompt,
    requirements,
    disagreements: disagreements(facts, { brief: record.classBrief, late, responseDue, repliesDue }),
    contradictions: syllabus
      ? contradictions(syllabus, { late, responseDue, repliesDue, replyCount: record.brief.replies.count })
      : [],
    readings: readings
      .filter((r) => r.week === record.week.number)
      .map((r) => ({
        slug: r.slug,
        title: r.title,
        minutes: readingMinutes(r.words, pace.reading.wordsPerMinute),
        read: r.readAt !== null,
      })),
    mentions: mentionsOf(record.prompt, readings),
    openReading:
      open?.doc && open.course === course.id
        ? {
            slug: open.slug,
            title: open.title,
            author: open.author,
            minutes: readingMinutes(open.words, pace.reading.wordsPerMinute),
            doc: open.doc,
          }
        : null,
    sheet: { rubric: record.rubric, estimate: staff ? null : around.estimate },
    viewings: record.viewings.map((v) => ({ ...v, done: around.done.includes(v.id) })),
    recording: around.recording,
    note: around.note,
    asked: around.asked,
    changed: around.changed,
    handed: around.handed,
    draft: await openDraft(
      deps,
      actor,
      draft,
      { title: '', doc: startingDocument(record.brief.parts) },
      { kind: 'response', brief: record.brief, answered: null, readings: quoted, given },
    ),
    refused: refused(deps, entered, 'response'),
    ledgerInput: entered.ledgerInput,
    shared: versions.filter((p) => responses.has(p.id)).map((p) => judgedText(p, entered.ledger)),
  };
}
