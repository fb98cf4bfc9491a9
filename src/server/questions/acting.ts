import type { PostRecord } from '@/db/queries/posts';
import type { QuestionRecord } from '@/db/queries/questions';
import type { Entered } from '../access/enter';
import type { EnteredCourse } from '../courses/enter';
import type { Actor, Deps } from '../deps';

/** Who does something with which question of which course. */
export type Acting = {
  deps: Deps;
  actor: Actor;
  course: EnteredCourse;
  entered: Entered;
  question: QuestionRecord;
  /** Its post, as they may read it. */
  root: PostRecord;
};
