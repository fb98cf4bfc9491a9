import type { MarkedPost, MarkedStudent } from '@/contract/marks';
import { askedChecks } from '@/core/brief/asked-checks';
import { balanceOf } from '@/core/counting/summary';
import { EMPTY_MARK, fitted, scoreOf, type Scheme } from '@/core/marks/mark';
import { proposeLevels } from '@/core/marks/propose';
import { differencesOf } from '@/core/marks/second';
import { askTogether } from '@/db/ask';
import type { DiscussionWithPrompt } from '@/db/queries/discussions';
import { sharedTexts } from '@/db/queries/own-posts';
import { enterDiscussion } from '../access/enter';
import { visiblePosts } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';
import { judgedText } from '../discussions/shared-text';
import { markStateOf, type Marked, type Second } from './class-marks';
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

/** A second reading as whoever gives the mark sees it: what it says only once both are written in full. */
function secondRead(scheme: Scheme, { mark, second }: Marked): MarkedStudent['second'] {
  if (!second) return null;
  const { reader, stage } = second;
  const read = stage === 'asked' ? null : second.mark;
  return {
    reader: reader.name,
    stage,
    mark: read,
    differences: read ? differencesOf(scheme, mark, read) : [],
  };
}

/** One student's part with the mark that is written of it. */
export async function studentOf(
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
    // What its student said is about the mark they saw.
    talk: released ? talkOf(actor.id, await askTogether(deps.db, talkAsks(deps, key))) : {},
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
    second: secondRead(scheme, marked),
  };
}

/** The same part for its second reader: with what they write of it, and nothing of the mark it is compared with. */
export function asSecond(scheme: Scheme, one: Marked, second: Second): Marked {
  const { reader, revision } = second;
  const kept = second.mark ?? EMPTY_MARK;
  const mark = { ...kept, levels: fitted(scheme, kept.levels) };
  return {
    ...one,
    mark,
    written: second.mark ? { mark, revision, by: reader.id, marker: reader.name } : null,
    released: null,
    seen: null,
    state: markStateOf({ mark, scheme, late: one.late }, null),
    second: null,
    ready: false,
  };
}
