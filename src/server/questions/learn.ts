import { personId } from '@/core/ids';
import { meaningOf, textsOf } from '@/core/questions/asked-before';
import { keepMeaning, questionsToLearn } from '@/db/queries/question-meanings';
import type { Deps } from '../deps';
import { readFor } from '../readers/readers';

/** The job that learns what questions mean. */
export const LEARN_QUESTIONS = 'learn-questions';

/** Nobody waits for it: it is read beside what people bring, in the queue of nobody. */
const NOBODY = personId('00000000-0000-4000-8000-000000000000');
/** Four texts each, 25 ms a text, and a second for the weights where a process is new: well within the deadline of a reading. */
const AT_ONCE = 4;
const MOST_ROUNDS = 200;

/**
 * Learns what the questions mean that are new, or have other words or another answer since.
 *
 * @returns how many were learnt
 */
export async function learnQuestions(deps: Pick<Deps, 'db' | 'readers'>): Promise<number> {
  let learnt = 0;
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const some = await questionsToLearn(deps.db, AT_ONCE);
    if (some.length === 0) break;
    const texts = some.map((q) => textsOf(q.earlier));
    const read = await readFor(deps, { id: NOBODY }, 'meanings', { texts: texts.flat() });
    if (!read.ok) break;
    let at = 0;
    for (const [i, { post, stamp }] of some.entries()) {
      const n = texts[i]?.length ?? 0;
      await keepMeaning(deps.db, post, meaningOf(read.value.slice(at, at + n)), stamp);
      at += n;
    }
    learnt += some.length;
  }
  return learnt;
}
