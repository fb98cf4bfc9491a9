import type { OpenQuestion, QuestionLine } from '@/contract/questions';
import { alike } from '@/core/questions/asked-before';
import type { CourseId } from '@/core/ids';
import { isOpen } from '@/core/questions/state';
import { ask } from '@/db/ask';
import { learntQuestions } from '@/db/queries/question-meanings';
import type { Actor, Deps } from '../deps';
import { meaningsFor } from './known';

/** So many are offered to be answered together. */
const MOST = 6;

/** Questions that wait and ask much the same as one that everybody may read: to be answered with it, once. */
export async function alikeTo(
  deps: Deps,
  actor: Actor,
  course: CourseId,
  line: QuestionLine,
  all: readonly QuestionLine[],
): Promise<OpenQuestion['alike']> {
  if (line.kind !== 'asks' || line.audience !== 'everybody' || line.mergedInto !== null) return [];
  const open = all.filter(
    (l) => l.post !== line.post && l.kind === 'asks' && l.mergedInto === null && isOpen(l.state),
  );
  if (open.length === 0) return [];
  const of = new Map(open.map((l) => [String(l.post), l]));
  const learnt = await ask(learntQuestions(deps.db, course, { id: actor.id, staff: true }, true));
  const known = await meaningsFor(
    deps.db,
    learnt.filter((q) => of.has(q.id) || q.id === String(line.post)),
  );
  const meaning = known.find((k) => k.id === String(line.post))?.meaning;
  if (!meaning) return [];
  return alike(meaning, known)
    .flatMap((id) => of.get(id) ?? [])
    .slice(0, MOST)
    .map(({ number, title, author }) => ({ number, title, author }));
}
