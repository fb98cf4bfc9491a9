import type { z } from 'zod';
import type { askInputSchema, NotAsked } from '@/contract/questions';
import type { ShareFailure, Shared } from '@/contract/writing';
import { settled } from '@/core/questions/asking';
import type { HandsAsked } from '@/core/questions/hands';
import { mayPart, type MeetingAsked } from '@/core/questions/meeting';
import type { Instant } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import { ask as asked } from '@/db/ask';
import { askingIn } from '@/db/queries/question-rules';
import { lineOf, numberOf } from '@/db/queries/questions';
import type { Actor, Deps } from '../deps';
import { share } from '../posts/share';
import { comingAt, type NoTime } from './coming-at';
import type { AskedAs } from './put';
import { enterQuestions } from './questions';

/** What there is to choose, until when. */
function handsAsked(
  now: Instant,
  zone: string,
  said: HandsAsked | null,
): Result<AskedAs['hands'], { code: 'no-choices' } | NoTime> {
  if (!said) return fail({ code: 'no-choices' });
  const closes = comingAt(now, zone, said.closes);
  return closes.ok ? ok({ ...said, closes: closes.value }) : closes;
}

/** When and where one meets. */
function meetingAsked(
  now: Instant,
  zone: string,
  said: MeetingAsked | null,
): Result<AskedAs['meets'], { code: 'no-meeting' } | NoTime> {
  if (!said || !mayPart(said)) return fail({ code: 'no-meeting' });
  const starts = comingAt(now, zone, said.starts);
  return starts.ok ? ok({ ...said, starts: starts.value }) : starts;
}

type Input = Omit<z.output<typeof askInputSchema>, 'hands' | 'meets'> & {
  hands?: HandsAsked | null;
  meets?: MeetingAsked | null;
};
type AskFailure = ShareFailure | NotAsked;

/** Two lines of one student were begun in one moment, and the database has taken the other one. */
const isSecondLine = (error: unknown) =>
  error instanceof Error && 'constraint' in error && error.constraint === 'questions_line';

/**
 * Asks something of a course, or tells it: a post, shared like any other, with who may see it and who it is from as its asker says. Of a line with the
 * staff there is one for each student: what is written once more goes on under it.
 */
export async function askQuestion(
  deps: Deps,
  actor: Actor,
  slug: string,
  input: Input,
): Promise<Result<{ number: number }, AskFailure>> {
  const door = await enterQuestions(deps, actor, slug);
  if (!door.ok) return door;
  const { course, entered } = door.value;
  const rules = await asked(askingIn(deps.db, course.id, actor.id));
  const settling = settled(input.asking, {
    grouped: rules.group !== null,
    coverFromStaff: rules.coverFromStaff,
    corner: rules.corner !== '',
    staff: entered.staff,
  });
  if (!settling.ok) return fail(settling.failure);
  const { asking } = settling;
  const hands = asking.kind === 'hands' ? handsAsked(deps.now, course.zone, input.hands ?? null) : ok(null);
  if (!hands.ok) return hands;
  const meets = asking.kind === 'meets' ? meetingAsked(deps.now, course.zone, input.meets ?? null) : ok(null);
  if (!meets.ok) return meets;
  const { submission, title, doc } = input;
  const text = { submission, title, doc, private: false };
  const go = async (): Promise<Result<Shared, ShareFailure>> => {
    const line = asking.kind === 'line' ? await lineOf(deps.db, course.id, actor.id) : null;
    const { slug: room } = entered.record;
    const as = { ...asking, hands: hands.value, meets: meets.value };
    return line === null
      ? share(deps, actor, room, { ...text, kind: 'response', parent: null }, as)
      : share(deps, actor, room, { ...text, title: '', kind: 'reply', parent: line }, null, true);
  };
  const shared = await go().catch((error: unknown) => {
    if (isSecondLine(error)) return go();
    throw error;
  });
  return shared.ok ? ok({ number: await numberOf(deps.db, shared.value.post) }) : shared;
}
