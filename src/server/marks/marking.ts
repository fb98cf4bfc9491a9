import type { MarkedPost, MarkedStudent, MarkingPage } from '@/contract/marks';
import { askedChecks } from '@/core/brief/asked-checks';
import { balanceOf } from '@/core/counting/summary';
import { ok, type Result } from '@/core/result';
import { scoreOf, WAYS, type Scheme } from '@/core/marks/mark';
import { covered } from '@/core/marks/covered';
import { proposeLevels } from '@/core/marks/propose';
import type { DiscussionWithPrompt } from '@/db/queries/discussions';
import { askTogether } from '@/db/ask';
import { sharedTexts } from '@/db/queries/own-posts';
import { enterDiscussion, type NotFound } from '../access/enter';
import { visiblePosts } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';
import { discussionOnDesk, enterDesk } from '../desk/enter';
import { judgedText } from '../discussions/shared-text';
import { classMarks, lineOf, type Marked } from './class-marks';
import { placesOf, talkAsks, talkOf } from './comments';

/** All that one student shared, as far as whoever marks may read it: the response first, then the replies as they came. */
async function postsOf(
  deps: Deps,
  actor: Actor,
  discussion: DiscussionWithPrompt,
  { student, ledger, schedule }: Marked,
): Promise<MarkedPost[]> {
  const [entered, texts] = await Promise.all([
    enterDiscussion(deps, actor, discussion.slug),
    sharedTexts(deps.db, student.id, discussion.id),
  ]);
  if (!entered.ok) return [];
  const ids = texts.map((t) => t.id);
  const readable = new Map((await visiblePosts(deps.db, actor, entered.value, ids)).map((p) => [p.id, p]));
  const parents = new Map(
    (
      await visiblePosts(
        deps.db,
        actor,
        entered.value,
        [...readable.values()].flatMap((p) => p.parent ?? []),
      )
    ).map((p) => [p.id, p]),
  );
  return texts
    .flatMap((text): MarkedPost[] => {
      const post = readable.get(text.id);
      if (!post) return [];
      const judged = judgedText(text, ledger);
      const parent = post.parent === null ? undefined : parents.get(post.parent);
      return [
        {
          id: post.id,
          kind: post.kind,
          title: judged.title,
          doc: judged.doc,
          n: judged.n,
          edits: judged.edits,
          at: judged.sharedAt,
          deadline: post.kind === 'response' ? schedule.response : schedule.replies,
          ownWords: judged.ownWords,
          checks: judged.checks,
          verdict: ledger.verdicts.find((v) => v.post === post.id) ?? null,
          private: post.privateTo !== null,
          withdrawn: post.withdrawn,
          hidden: post.hidden,
          to: parent ? { name: parent.author.name, opening: parent.opening } : null,
        },
      ];
    })
    .sort((a, b) => Number(a.kind === 'reply') - Number(b.kind === 'reply') || a.at - b.at);
}

const hasShared = ({ ledger }: Marked) => ledger.verdicts.length > 0;

async function studentOf(
  deps: Deps,
  actor: Actor,
  discussion: DiscussionWithPrompt,
  scheme: Scheme,
  marked: Marked,
): Promise<MarkedStudent> {
  const { student, ledger, late, mark, written, released, seen, state, record } = marked;
  const posts = await postsOf(deps, actor, discussion, marked);
  const key = { course: discussion.course.id, discussion: discussion.id, person: student.id };
  return {
    id: student.id,
    name: student.name,
    balance: balanceOf(ledger),
    posts,
    places: await placesOf(deps, actor, mark.comments, posts),
    talk: talkOf(actor.id, await askTogether(deps.db, talkAsks(deps, key))),
    missing: ledger.obligations.filter((o) => o.post === null && o.state !== 'excused'),
    excused: record.excused,
    late,
    proposed: scheme.by === 'rubric' ? proposeLevels(scheme.rubric, ledger, askedChecks(record.brief)) : {},
    mark,
    revision: written?.revision ?? 0,
    marker: written?.marker ?? null,
    state,
    released:
      seen && released
        ? {
            score: scoreOf(seen.scheme, seen.mark, seen.late),
            verdict: seen.mark.verdict,
            releasedAt: released.releasedAt,
          }
        : null,
  };
}

/** The class with a number in the place of each name, in an order that says nothing. */
function behindNumbers(all: readonly Marked[], seed: string): Marked[] {
  const of = new Map(all.map((m) => [m.student.id, m]));
  return covered(
    all.map((m) => m.student),
    seed,
  ).flatMap((student) => {
    const marked = of.get(student.id);
    return marked ? [{ ...marked, student }] : [];
  });
}

/** The class of a discussion above, one student's part and mark below: the one who was asked for, or the first who waits. */
export async function markingPage(
  deps: Deps,
  actor: Actor,
  slug: string,
  name: string,
  asked: string | null,
  isCovered = false,
): Promise<Result<MarkingPage, NotFound>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  const found = await discussionOnDesk(deps.db, actor, course, name);
  if (!found.ok) return found;
  const { record } = found.value;
  const { scheme, all: byName } = await classMarks(deps, deps.db, course, record);
  const seen = isCovered ? behindNumbers(byName, record.id) : byName;
  // Whoever shared something first: there is little to read of the others.
  const all = [...seen].sort((a, b) => Number(hasShared(b)) - Number(hasShared(a)));
  const waiting = (m: Marked) => m.state === 'unwritten' || m.state === 'begun';
  const at = Math.max(
    0,
    asked ? all.findIndex((m) => m.student.id === asked) : all.findIndex((m) => waiting(m) && hasShared(m)),
  );
  const one = all[at];
  const count = (...states: Marked['state'][]) => all.filter((m) => states.includes(m.state)).length;
  return ok({
    course,
    discussion: { slug: name, title: record.title, week: record.week.number },
    covered: isCovered,
    now: deps.now,
    scheme,
    way: record.way,
    ways: WAYS.filter(
      (way) =>
        (way !== 'rubric' || record.rubric !== null) &&
        (way !== 'points' || record.classBrief.points !== undefined),
    ),
    releaseAt: record.releaseAt,
    lines: all.map((m) => lineOf(scheme, m)),
    written: count('written', 'released', 'changed'),
    released: all.filter((m) => m.released !== null).length,
    ready: all.filter((m) => m.ready).length,
    one: one ? await studentOf(deps, actor, record, scheme, one) : null,
    before: all[at - 1]?.student.id ?? null,
    after: all[at + 1]?.student.id ?? null,
  });
}
