import type { Asking } from '@/core/questions/asking';
import type { Hands } from '@/core/questions/hands';
import type { Meeting } from '@/core/questions/meeting';
import type { PersonId, PostId } from '@/core/ids';
import { insertCover, nobodyOf } from '@/db/queries/covers';
import type { Db } from '@/db/connection';
import type { DiscussionRecord } from '@/db/queries/discussions';
import { insertHands } from '@/db/queries/hands';
import { insertMeeting } from '@/db/queries/meetings';
import { insertQuestion } from '@/db/queries/questions';
import type { Actor, Deps } from '../deps';

/** How something is asked, with what there is to choose where hands are to be shown, and when and where one meets. */
export type AskedAs = Asking & {
  hands: Omit<Hands, 'raised'> | null;
  meets: Omit<Meeting, 'calledOffAt' | 'taken'> | null;
};

/** As whom somebody asks: as themselves, or as nobody. */
export const askerOf = (tx: Db, actor: Actor, record: DiscussionRecord, asking: Asking): Promise<PersonId> =>
  asking.cover === 'no' ? Promise.resolve(actor.id) : nobodyOf(tx, record.course.id);

/** Lays down beside its post what makes it a question, and under cover who asked it. */
export async function putQuestion(
  deps: Pick<Deps, 'now'>,
  tx: Db,
  actor: Actor,
  record: DiscussionRecord,
  post: PostId,
  asking: AskedAs,
): Promise<void> {
  const course = record.course.id;
  await insertQuestion(tx, {
    post,
    course,
    discussion: record.id,
    kind: asking.kind,
    about: asking.about,
    lineOf: asking.kind === 'line' ? actor.id : null,
    now: deps.now,
  });
  if (asking.hands) await insertHands(tx, post, asking.hands);
  if (asking.meets) await insertMeeting(tx, { course, post }, asking.meets);
  if (asking.cover !== 'no')
    await insertCover(tx, { course, thread: post, person: actor.id, fromStaff: asking.cover === 'all' });
}
