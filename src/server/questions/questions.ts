import type {
  AskPage,
  OpenQuestion,
  QuestionFilter,
  QuestionLine,
  QuestionsPage,
} from '@/contract/questions';
import { QUESTION_FILTERS } from '@/contract/questions';
import { emptyDocument } from '@/core/document/document';
import { handsFor, type Hands } from '@/core/questions/hands';
import { meetingFor } from '@/core/questions/meeting';
import { handsOf } from '@/db/queries/hands';
import { isStaff, postId, type Instant, type PostId } from '@/core/ids';
import type { Asking } from '@/core/questions/asking';
import { usuallyWithin } from '@/core/questions/pace';
import { fail, ok, type Result } from '@/core/result';
import { ask, askTogether } from '@/db/ask';
import { coversFromStaff } from '@/db/queries/covers';
import { enrolledIn } from '@/db/queries/courses';
import { draftFor } from '@/db/queries/drafts';
import { meetingOf } from '@/db/queries/meetings';
import { askingIn } from '@/db/queries/question-rules';
import { confirmedIn, questionsOf, readByStaff, roomToAsk } from '@/db/queries/questions';
import { savedAnswers } from '@/db/queries/saved-answers';
import { enterRoom, type Entered, type NotFound } from '../access/enter';
import { enterCourse, type EnteredCourse } from '../courses/enter';
import type { Actor, Deps } from '../deps';
import { conversationIn } from '../discussions/conversation';
import { loadConversation } from '../discussions/load-conversation';
import { stands, threadOf, type LoadedConversation } from '../discussions/loaded-conversation';
import { openDraft } from '../drafts/open';
import { LINE_BEGUN } from '../posts/share';
import { alikeTo } from './alike';
import { questionLines, shownBy } from './lines';

export type QuestionsAsk = {
  show: QuestionFilter;
  week: number | null;
  label: string | null;
  /** Which page of the list, from 1 on. */
  page: number;
  /** The question that is open, by its number; and the post of it that is answered. */
  number: number | null;
  post: number | null;
  /** The page to ask on is open, with what is chosen there so far. */
  ask: Asking | null;
};

/** So many stand on a page of the list. */
const AT_A_TIME = 60;

/** The door to where a course asks. */
export async function enterQuestions(
  deps: Deps,
  actor: Actor,
  course: string,
): Promise<Result<InCourse, NotFound>> {
  const door = await enterCourse(deps, actor, course);
  if (!door.ok) return door;
  const room = await roomToAsk(deps.db, door.value.id);
  if (!room) return fail({ code: 'not-found' });
  const entered = await enterRoom(deps, actor, room.slug);
  return entered.ok ? ok({ course: door.value, entered: entered.value }) : entered;
}

type InCourse = { course: EnteredCourse; entered: Entered };

/** Everything among the questions of a course that one may read, and how each question stands. */
async function loadQuestions(deps: Deps, actor: Actor, { course, entered }: InCourse) {
  const [room, fromStaff, found] = await Promise.all([
    loadConversation(deps, actor, entered),
    coversFromStaff(deps.db, course.id),
    askTogether(deps.db, {
      questions: questionsOf(deps.db, course.id),
      confirmed: confirmedIn(deps.db, course.id),
    }),
  ]);
  const lines = questionLines(room.loaded, found.questions, found.confirmed, fromStaff, deps.now);
  return { room, lines, confirmed: found.confirmed };
}

/** The questions of a course as one may read them, without anything else. */
export const questionLinesFor = async (deps: Deps, actor: Actor, place: InCourse) =>
  (await loadQuestions(deps, actor, place)).lines;

/** What staff keep on top, and then the rest as it came. */
const keptFirst = (lines: readonly QuestionLine[]): QuestionLine[] =>
  [...lines].sort((a, b) => Number(b.kept) - Number(a.kept));

/** How long each question waited for staff, by what this reader may read. */
const waitedIn = (loaded: LoadedConversation): number[] =>
  loaded.trees.flatMap((tree) => {
    if (isStaff(tree.post.author.role)) return [];
    const first = threadOf(loaded, tree).find((b) => isStaff(b.post.author.role) && stands(b.post));
    return first ? [first.post.sharedAt - tree.post.sharedAt] : [];
  });

async function askPage(deps: Deps, actor: Actor, entered: Entered, asking: Asking): Promise<AskPage> {
  const { record } = entered;
  const kept = await draftFor(deps.db, {
    author: actor.id,
    discussion: record.id,
    ...(asking.kind === 'line' ? LINE_BEGUN : { kind: 'response', parent: null }),
  });
  const course = await ask(askingIn(deps.db, record.course.id, actor.id));
  return {
    draft: await openDraft(
      deps,
      actor,
      kept,
      { title: '', doc: emptyDocument },
      { kind: 'response', brief: record.brief, answered: null, given: [] },
    ),
    brief: record.brief,
    asking,
    classmates: course.classmates,
    group: course.group,
    staff: course.staff,
    coverFromStaff: course.coverFromStaff,
    corner: course.corner,
  };
}

/** The questions of a course as one may read them: the list, narrowed as one asks, and one of them open, or the page to ask on. */
export async function questionsPage(
  deps: Deps,
  actor: Actor,
  slug: string,
  wanted: QuestionsAsk,
): Promise<Result<QuestionsPage, NotFound>> {
  const door = await enterQuestions(deps, actor, slug);
  if (!door.ok) return door;
  const { course, entered } = door.value;
  const { record } = entered;
  const [{ room, confirmed, lines: all }, found] = await Promise.all([
    loadQuestions(deps, actor, door.value),
    askTogether(deps.db, {
      courses: enrolledIn(deps.db, actor.id),
      rules: askingIn(deps.db, course.id, actor.id),
    }),
  ]);
  const lines = all
    .filter((l) => l.mergedInto === null)
    .filter(shownBy(wanted.show))
    .filter((l) => wanted.week === null || l.week === wanted.week)
    .filter((l) => wanted.label === null || l.label === wanted.label);
  // Whoever answers for the course begins with who has waited longest.
  const inOrder = entered.staff && wanted.show === 'open' ? [...lines].reverse() : keptFirst(lines);
  const pages = Math.max(1, Math.ceil(inOrder.length / AT_A_TIME));
  const at = Math.min(Math.max(1, wanted.page), pages);
  const line = wanted.number === null ? undefined : all.find((l) => l.number === wanted.number);
  if (wanted.number !== null && !line) return fail({ code: 'not-found' });
  return ok({
    course: { slug: course.slug, code: course.code, title: course.title, zone: course.zone },
    courses: found.courses.filter((c) => !c.outside).map((c) => ({ slug: c.slug, code: c.code })),
    room: record.slug,
    show: wanted.show,
    week: wanted.week,
    label: wanted.label,
    lines: inOrder.slice((at - 1) * AT_A_TIME, at * AT_A_TIME),
    at,
    pages,
    counts: Object.fromEntries(
      QUESTION_FILTERS.map((f) => [f, all.filter((l) => l.mergedInto === null && shownBy(f)(l)).length]),
    ) as QuestionsPage['counts'],
    weeks: [...new Set(all.flatMap((l) => l.week ?? []))].sort((a, b) => b - a),
    labels: [...new Set(all.map((l) => l.label).filter(Boolean))].sort(),
    within: usuallyWithin(waitedIn(room.loaded)),
    hours: found.rules.hours,
    corner: found.rules.corner,
    line: all.find((l) => l.kind === 'line' && l.mine)?.number ?? null,
    open: line
      ? await openQuestion(deps, actor, door.value, { line, post: wanted.post, all, room, confirmed })
      : null,
    ask: wanted.ask && !entered.onlooker ? await askPage(deps, actor, entered, wanted.ask) : null,
    staff: entered.staff,
    onlooker: entered.onlooker,
    now: deps.now,
  });
}

/** A show of hands as its reader sees it: who raised theirs stays here. */
function handsSeen({ raised, ...hands }: Hands, actor: Actor, now: Instant): OpenQuestion['hands'] {
  return { ...hands, result: handsFor({ ...hands, raised }, actor.id, now) };
}

type Opened = {
  line: OpenQuestion['line'];
  post: number | null;
  all: readonly OpenQuestion['line'][];
  room: Awaited<ReturnType<typeof loadConversation>>;
  confirmed: ReadonlyMap<PostId, string>;
};

async function openQuestion(
  deps: Deps,
  actor: Actor,
  { course, entered }: InCourse,
  { line, post, all, room, confirmed }: Opened,
): Promise<OpenQuestion> {
  const id = postId(line.post);
  const { staff } = entered;
  const [hands, meeting, alike, saved, readBy, view] = await Promise.all([
    line.kind === 'hands' ? handsOf(deps.db, id) : null,
    line.kind === 'meets' ? meetingOf(deps.db, id) : null,
    staff ? alikeTo(deps, actor, course.id, line, all) : [],
    staff ? savedAnswers(deps.db, actor.id) : [],
    line.audience === 'staff' ? readByStaff(deps.db, id) : null,
    conversationIn(
      deps,
      actor,
      entered,
      { post: post ?? line.post, filter: null, as: 'threads' },
      Promise.resolve(room),
    ),
  ]);
  return {
    line,
    view,
    hands: hands && handsSeen(hands, actor, deps.now),
    meets: meeting && meetingFor(meeting, { id: actor.id, staff }, deps.now),
    alike,
    saved,
    readBy,
    confirmed: Object.fromEntries(
      view.posts.flatMap((p) => {
        const by = confirmed.get(postId(p.id));
        return by === undefined ? [] : [[p.id, by]];
      }),
    ),
  };
}
