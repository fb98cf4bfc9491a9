import { pointsOf } from '@/core/rubric/rubric';
import { MARK, type Feedback, type ReleasedMark } from '@/contract/marks';
import type { Numbered } from '@/core/marks/comment';
import type { RubricSheet } from '@/contract/rubric';
import { causeKey } from '@/core/marks/losses';
import { causeText, lateTaken, scoreText, VERDICTS } from '../words/marks';
import { DocumentView } from '../document/document-view';
import { plural } from '../words/plural';
import { moment } from '../words/time';
import { AskAboutThis } from '../questions/ask-about';
import { AskAbout } from './ask-about';
import { CommentCard } from './comment-card';
import { DoAgain } from './do-again';
import { RubricGiven } from './rubric-given';
import { SeenOnce } from './seen-once';

function Figure({ mark }: { mark: ReleasedMark }) {
  const { score, scheme } = mark;
  if (score.points === null)
    return (
      <b className="font-serif text-[26px] text-pine-ink">
        {scheme.by === 'verdict' && mark.mark.verdict
          ? mark.mark.verdict === 'done'
            ? 'Done'
            : 'Do again'
          : 'Read'}
      </b>
    );
  return (
    <>
      <b className="font-serif text-[34px] leading-none text-pine-ink tabular-nums">{score.points}</b>{' '}
      <span>of {score.of}</span>
    </>
  );
}

function Before({ mark, zone }: { mark: ReleasedMark; zone: string }) {
  if (!mark.was) return null;
  return (
    <p className="mt-2 rounded-control bg-ochre-tint px-3 py-2 text-[13px] font-medium">
      This mark was changed on {moment(mark.releasedAt, zone)}. Before, from{' '}
      {moment(mark.was.releasedAt, zone)}, it said{' '}
      {mark.was.verdict ? `“${VERDICTS[mark.was.verdict]}”` : scoreText(mark.was, null)}.
    </p>
  );
}

/** By what the points were lost, the dearest first. */
function Difference({ losses }: { losses: Feedback['losses'] }) {
  if (losses.length === 0) return null;
  return (
    <div className="text-[13.5px]">
      <h4 className="font-sans text-[13px] font-semibold">What would have made the difference</h4>
      <ul className="mt-0.5">
        {losses.map((l) => (
          <li key={causeKey(l.cause)}>
            <b className="tabular-nums">{plural(l.points, 'point')}</b>: {causeText(l.cause)}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** The mark that was released, with what it is made of, what the late rule took, and what its student thought before sharing. */
export function YourMark({
  slug,
  course,
  title,
  sheet,
  feedback,
  zone,
  comments,
  chosen,
}: {
  slug: string;
  course: string;
  /** Of the discussion. */
  title: string;
  sheet: RubricSheet;
  feedback: Feedback;
  zone: string;
  comments: readonly Numbered[];
  chosen: string | null;
}) {
  const { estimate, rubric } = sheet;
  const { mark, losses, talk } = feedback;
  if (!mark)
    return (
      <section aria-labelledby="mark">
        <h3 id="mark" className="text-[16px]">
          No mark yet
        </h3>
        <p className="text-[13px] text-ink-2">
          Mark and feedback will stand here once your instructor releases them.
        </p>
        {rubric && estimate && Object.keys(estimate).length ? (
          <div className="mt-2">
            <RubricGiven rubric={rubric} given={{}} estimate={estimate} />
          </div>
        ) : null}
      </section>
    );
  const { scheme, score } = mark;
  const by = scheme.by === 'rubric' ? scheme.rubric : null;
  const own = by && estimate ? pointsOf(by, estimate) : null;
  return (
    <section aria-labelledby="mark" className="grid gap-3">
      <div>
        <h3 id="mark" className="flex flex-wrap items-baseline gap-x-2 font-sans text-[14px] font-normal">
          <span className="sr-only">Your mark: </span>
          <Figure mark={mark} />
          <span className="text-ink-2">
            · marked {moment(mark.releasedAt, zone)} by {mark.marker}
          </span>
        </h3>
        <Before mark={mark} zone={zone} />
        {score.taken > 0 && mark.late ? (
          <p className="mt-2 text-[13px]">
            {lateTaken(mark.late, score.taken)}: {score.earned} without it.
          </p>
        ) : null}
        {mark.mark.override ? (
          <p className="mt-2 text-[13px]">
            {mark.marker} gave these points themselves
            {score.earned === null || !by ? '' : `, where the rubric alone would come to ${score.earned}`}: “
            {mark.mark.override.reason}”
          </p>
        ) : null}
      </div>
      {feedback.again ? <DoAgain slug={slug} zone={zone} again={feedback.again} /> : null}
      {by ? (
        <>
          <RubricGiven
            rubric={by}
            given={mark.mark.levels}
            estimate={estimate}
            below={(c) => (
              <AskAbout slug={slug} zone={zone} criterion={c.id} name={`“${c.title}”`} talk={talk} />
            )}
          />
          {own && own.open === 0 ? (
            <p className="text-[12.5px] text-ink-2">
              Dashed: what you thought before sharing ({own.points}). Filled: {mark.marker}.
            </p>
          ) : null}
        </>
      ) : null}
      {comments.length ? (
        <ul className="grid gap-2" aria-label="Comments">
          {comments.map((item) => (
            <CommentCard
              key={item.comment.id}
              slug={slug}
              zone={zone}
              item={item}
              talk={talk[item.comment.id] ?? null}
              chosen={item.comment.id === chosen}
            />
          ))}
        </ul>
      ) : null}
      {mark.mark.remark.trim() ? (
        <div className="rounded-control border border-rule bg-page px-3.5 py-2.5">
          <h4 className="font-sans text-[13px] font-semibold">In general</h4>
          <p className="font-serif text-[15.5px] whitespace-pre-line">{mark.mark.remark}</p>
        </div>
      ) : null}
      {mark.mark.more ? (
        <div className="rounded-control border border-rule bg-page px-3.5 py-2.5">
          <h4 className="font-sans text-[13px] font-semibold">From {mark.marker}</h4>
          <DocumentView doc={mark.mark.more} className="!text-[15.5px]" />
        </div>
      ) : null}
      <Difference losses={losses} />
      <AskAbout slug={slug} zone={zone} criterion={MARK} name="this mark" talk={talk} />
      <AskAboutThis
        course={course}
        asks={{ audience: 'staff' }}
        about={{ of: 'mark', place: slug, called: `my mark in “${title.slice(0, 180)}”` }}
      >
        Ask among the questions of the course
      </AskAboutThis>
      {mark.isNew ? <SeenOnce slug={slug} /> : null}
    </section>
  );
}
