import type { MarkedPost, MarkedStudent } from '@/contract/marks';
import type { JudgedText } from '@/contract/part';
import { askedChecks } from '@/core/brief/asked-checks';
import { balanceOf } from '@/core/counting/summary';
import { EMPTY_MARK, fitted, scoreOf, type Scheme } from '@/core/marks/mark';
import { proposeLevels } from '@/core/marks/propose';
import { differencesOf } from '@/core/marks/second';
import { askTogether } from '@/db/ask';
import type { DiscussionWithPrompt } from '@/db/queries/discussions';
import type { ReleasedRecord } from '@/db/queries/marks';
import { sharedTexts, type SharedPost } from '@/db/queries/own-posts';
import { enterDiscussion } from '../access/enter';
import { visiblePosts } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';
import { compareFor } from '../drafts/compare';
import { judgedText } from '../discussions/shared-text';
import { markStateOf, type Marked, type Second } from './class-marks';
import { placesOf, talkAsks, talkOf } from './comments';

/**
 * The text to read: the one that is judged; of a part that was given back the newest, with what is different in it from the text that
 * was there when it was marked.
 */
async function textOf(
  deps: Deps,
  actor: Actor,
  { versions }: SharedPost,
  judged: JudgedText,
  released: ReleasedRecord | null,
): Promise<Pick<MarkedPost, 'title' | 'doc' | 'n' | 'since'>> {
  const newest = versions.at(-1);
  if (!released || !newest || newest.sharedAt <= released.releasedAt) {
    const { title, doc, n } = judged;
    return { title, doc, n, since: null };
  }
  const marked = versions.findLast((v) => v.sharedAt <= released.releasedAt);
  const { title, doc, n } = newest;
  return {
    title,
    doc,
    n,
    since: { compared: marked ? await compareFor(deps, actor, marked, newest, true) : null },
  };
}

/** All that one student shared, as far as whoever marks may read it: the response first, then the replies as they came. */
async function postsOf(
  deps: Deps,
  actor: Actor,
  discussion: DiscussionWithPrompt,
  { student, ledger, schedule, released, back }: Marked,
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
  const posts = await Promise.all(
    texts.map(async (text): Promise<MarkedPost[]> => {
      const post = readable.get(text.id);
      if (!post) return [];
      const judged = judgedText(text, ledger);
      const parent = post.parent === null ? undefined : parents.get(post.parent);
      return [
        {
          id: post.id,
          kind: post.kind,
          ...(await textOf(deps, actor, text, judged, back ? released : null)),
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
    }),
  );
  return posts.flat().sort((a, b) => Number(a.kind === 'reply') - Number(b.kind === 'reply') || a.at - b.at);
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
  const { student, ledger, late, mark, written, released, seen, state, record, back } = marked;
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
    back: back && { at: back.at, said: back.said },
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
    back: null,
    asks: false,
    ready: false,
  };
}
