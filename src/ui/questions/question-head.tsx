import { courseWeekAt, questionAt } from '@/contract/addresses';
import type { OpenQuestion, QuestionsPage } from '@/contract/questions';
import { answeredWithin } from '@/core/questions/pace';
import type { QuestionKind } from '@/core/questions/asking';
import { isOpen } from '@/core/questions/state';
import Link from 'next/link';
import { FollowButton } from '../conversation/follow-button';
import { capitalised, list } from '../words/plural';
import { STATE_WORDS } from '../words/questions';
import { aboutHref } from './about';
import { ActButton } from './act-button';
import { StaffDesk } from './staff-desk';

const AUDIENCE = {
  everybody: 'everybody in the course reads this',
  group: 'your group and the staff read this',
  staff: 'the asker and the staff read this, and nobody else',
};

/** Of what does not ask, what it is. */
const TOLD: Partial<Record<QuestionKind, string>> = {
  tells: 'Told, not asked.',
  hands: 'A show of hands.',
  meets: 'An hour to meet.',
  corner: 'About anything.',
};

/** Over an open question: its number and place, who reads it, how it stands, and what may be done with it. */
export function QuestionHead({ page, open }: { page: QuestionsPage; open: OpenQuestion }) {
  const { line, view } = open;
  const { course, staff, room } = page;
  const place = { course: course.slug, number: line.number };
  const within = answeredWithin(page.within);
  return (
    <div className="grid gap-1 border-b border-rule bg-page-2 px-4 py-2.5 text-[13px] text-ink-2 sm:px-5">
      <p>
        <b className="text-ink">Question {line.number}</b>
        {line.week === null ? null : (
          <>
            {' · '}
            <Link className="link" href={courseWeekAt(course.slug, line.week)}>
              week {line.week}
            </Link>
          </>
        )}
        {line.label ? ` · ${line.label}` : ''}
        {line.about ? (
          <>
            {' · about '}
            <Link className="link" href={aboutHref(line.about)}>
              {line.about.called}
            </Link>
          </>
        ) : null}
        {` · ${line.mine && line.audience === 'staff' ? 'you and the staff read this, and nobody else' : AUDIENCE[line.audience]}`}
      </p>
      {line.mergedInto === null ? null : (
        <p className="font-semibold text-ink">
          It goes on in{' '}
          <Link className="link" href={questionAt(course.slug, line.mergedInto)}>
            question {line.mergedInto}
          </Link>
          , which asks the same: whoever followed this one follows that.
        </p>
      )}
      <p>
        {line.state === null ? TOLD[line.kind] : `${capitalised(STATE_WORDS[line.state])}.`}
        {line.state && isOpen(line.state) && within ? ` Staff: ${within}.` : ''}
        {line.kind === 'line' && page.hours ? ` ${page.hours}` : ''}
        {open.readBy
          ? open.readBy.length
            ? ` Read by ${list(open.readBy)}.`
            : ' Nobody of the staff has read it yet.'
          : ''}
        {line.taken ? ` ${line.taken} has taken it.` : ''}
      </p>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        {page.onlooker ? null : (
          <FollowButton slug={room} thread={line.post} followed={line.followed} what="question" />
        )}
        {line.state === null || line.kind === 'line' || !(line.mine || staff) ? null : line.state ===
          'settled' ? (
          <ActButton {...place} act="reopen">
            It is not answered after all
          </ActButton>
        ) : isOpen(line.state) && view.posts.length > 1 ? (
          <ActButton {...place} act="settle">
            This is answered
          </ActButton>
        ) : null}
        {staff ? (
          <>
            <ActButton {...place} act={line.kept ? 'unkeep' : 'keep'}>
              {line.kept ? 'Keep it on top no more' : 'Keep it on top'}
            </ActButton>
            {isOpen(line.state) ? (
              <ActButton {...place} act={line.taken ? 'leave' : 'take'}>
                {line.taken ? 'Let it go' : 'I take this one'}
              </ActButton>
            ) : null}
          </>
        ) : null}
      </div>
      {line.openWanted && !line.mine ? (
        <p className="font-semibold text-ink">
          Its asker was asked whether everybody may read it, and has not said so yet.
        </p>
      ) : null}
      {line.openWanted && line.mine ? (
        <div className="flex flex-wrap items-center gap-x-3 gap-y-1 rounded-control bg-sky-tint px-3 py-2 text-ink">
          <p className="basis-full">
            <b>The staff would like everybody to read this:</b> your question
            {line.cover === 'no' ? ' with your name' : ''}, and its answers. It is yours to say; it cannot be
            taken back.
          </p>
          <ActButton {...place} act="open-it" className="btn go !min-h-8">
            Everybody may read it
          </ActButton>
          <ActButton {...place} act="keep-closed" className="btn !min-h-8">
            It stays between us
          </ActButton>
        </div>
      ) : null}
      {staff ? <StaffDesk page={page} open={open} /> : null}
    </div>
  );
}
