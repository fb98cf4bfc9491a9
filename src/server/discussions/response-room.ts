import { paceOf } from '@/core/planning/pace';
import { readingMinutes } from '@/core/reading/minutes';
import { contradictions, type Contradiction } from '@/core/syllabus/contradictions';
import { askTogether } from '@/db/ask';
import { readingsOf, syllabusOf } from '@/db/queries/courses';
import { workHistory } from '@/db/queries/planning';
import { randomUUID } from 'node:crypto';
import { refusal, type Refusal } from '@/core/counting/permission';
import type { LedgerInput } from '@/core/counting/types';
import { startingDocument } from '@/core/posts/compose';
import type { Doc } from '@/core/posts/document';
import type { Instant, PostId } from '@/core/ids';
import { ok, type Result } from '@/core/result';
import { draftFor } from '@/db/queries/drafts';
import { deliveredTexts, type DeliveredText } from '@/db/queries/own-posts';
import { enterDiscussion, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { headOf, type DiscussionHead } from './head';

/** A draft as an editor opens it; `keptAt` is null when nothing was kept yet. */
export type OpenDraft = {
  submission: string;
  revision: number;
  title: string;
  doc: Doc;
  keptAt: Instant | null;
};

export type ResponseRoom = {
  head: DiscussionHead;
  prompt: Doc;
  draft: OpenDraft;
  refused: Refusal | null;
  ledgerInput: LedgerInput | null;
  /** The student's shared responses, first one first. */
  shared: DeliveredText[];
  /** Where this discussion says other than its course's syllabus. */
  contradictions: Contradiction[];
  /** The readings of its week. */
  readings: { slug: string; title: string; minutes: number; read: boolean }[];
};

export async function responseRoom(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<ResponseRoom, NotFound>> {
  const door = await enterDiscussion(deps, actor, slug);
  if (!door.ok) return door;
  const entered = door.value;
  const { record, schedule, responded, staff } = entered;
  const { course } = record;
  const [draft, delivered, { syllabus, readings, history }] = await Promise.all([
    draftFor(deps.db, { author: actor.id, discussion: record.id, kind: 'response', parent: null }),
    deliveredTexts(deps.db, actor.id, record.id),
    askTogether(deps.db, {
      syllabus: syllabusOf(deps.db, course.id),
      readings: readingsOf(deps.db, course.id, actor.id),
      history: workHistory(deps.db, actor.id),
    }),
  ]);
  const pace = paceOf(history.writing, history.reading);
  const { late, responseDue, repliesDue } = record.schedule;
  const responses = new Set<PostId>(entered.own.filter((p) => p.kind === 'response').map((p) => p.id));
  return ok({
    head: headOf(deps, entered),
    prompt: record.prompt,
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
    draft: draft ?? {
      submission: randomUUID(),
      revision: 0,
      title: '',
      doc: startingDocument(record.brief.parts),
      keptAt: null,
    },
    refused: refusal({
      kind: 'response',
      schedule,
      sealed: record.brief.sealed && !staff,
      responded,
      now: deps.now,
    }),
    ledgerInput: entered.ledgerInput,
    shared: delivered.filter((p) => responses.has(p.id)),
  });
}
