import { courseWeekAt, questionActAt, questionAt } from '@/contract/addresses';
import type { OpenQuestion, QuestionsPage } from '@/contract/questions';
import { answeredWithin } from '@/core/questions/pace';
import { isOpen } from '@/core/questions/state';
import Link from 'next/link';
import { FollowButton } from '../conversation/follow-button';
import { QuietForm } from '../notes/note-form';
import { STATE_WORDS } from '../words/questions';
import { aboutHref } from './about';
import { ActButton } from './act-button';

const AUDIENCE = {
  everybody: 'everybody in the course reads this',
  group: 'your group and the staff read this',
  staff: 'the asker and the staff read this, and nobody else',
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
        {line.state === null
          ? line.kind === 'hands'
            ? 'A show of hands.'
            : 'Told, not asked.'
          : `${STATE_WORDS[line.state][0]?.toUpperCase()}${STATE_WORDS[line.state].slice(1)}.`}
        {line.state && isOpen(line.state) && within ? ` Staff: ${within}.` : ''}
        {line.kind === 'line' && page.hours ? ` ${page.hours}` : ''}
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
            {line.kind === 'asks' && line.mergedInto === null ? (
              <QuietForm
                action={questionActAt(course.slug, line.number)}
                className="flex items-center gap-1.5"
                label="Put together"
              >
                <label className="flex items-center gap-1.5">
                  The same as number
                  <input
                    className="field !min-h-8 w-16"
                    name="into"
                    inputMode="numeric"
                    pattern="[0-9]{1,6}"
                    required
                  />
                </label>
                <button className="btn !min-h-8" name="act" value="merge">
                  Put together
                </button>
              </QuietForm>
            ) : null}
            <QuietForm
              action={questionActAt(course.slug, line.number)}
              className="flex items-center gap-1.5"
              label="Label"
            >
              <input
                className="field !min-h-8 w-32"
                name="label"
                maxLength={40}
                defaultValue={line.label}
                placeholder="Label"
                aria-label="Label"
                list="question-labels"
              />
              <datalist id="question-labels">
                {page.labels.map((l) => (
                  <option key={l} value={l} />
                ))}
              </datalist>
              <button className="btn !min-h-8" name="act" value="label">
                Set
              </button>
            </QuietForm>
          </>
        ) : null}
      </div>
    </div>
  );
}
