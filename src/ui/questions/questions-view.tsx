import type { QuestionsPage } from '@/contract/questions';
import { announcementsAt, deskSettingsAt, notebookAt, questionAt, questionsAt } from '@/contract/addresses';
import { answeredWithin } from '@/core/questions/pace';
import Link from 'next/link';
import { lookOf } from '../conversation/address';
import { Live } from '../conversation/live';
import { BackToList } from '../conversation/notes';
import { Answered, PostFoot } from '../conversation/phone';
import { ReplySide, type You } from '../conversation/reply-side';
import { ThreadPage } from '../conversation/thread-page';
import { FacingPages } from '../discussion/facing-pages';
import { ActButton } from './act-button';
import { askAt, listAt } from './address';
import { AskDesk } from './ask-desk';
import { QuestionHead } from './question-head';
import { ShownHands } from './shown-hands';
import { ShownMeeting } from './shown-meeting';
import { noteAnswerText } from '../words/notes';
import { QuestionList } from './question-list';
import type { ReadPost } from '@/contract/thread';

const chip = (on: boolean) => `btn !min-h-9 whitespace-nowrap ${on ? '!border-ink !bg-ink !text-page' : ''}`;
const FRESH = { kind: 'asks', audience: 'everybody', cover: 'no', about: null } as const;

/** The courses to change between, and the way to ask. */
function Bar({ page }: { page: QuestionsPage }) {
  const { course, courses } = page;
  // On a phone one question, or what one asks, has the page for itself.
  const aside = page.open || page.ask ? 'max-sm:hidden' : '';
  return (
    <div className="flex flex-wrap items-center gap-x-2 gap-y-2 px-4 py-3 sm:px-7">
      <h1 className="mr-2 text-[24px]">Questions</h1>
      <nav aria-label="Courses" className={`mr-4 flex flex-wrap gap-2 ${aside}`}>
        {courses.map((c) => (
          <Link
            key={c.slug}
            href={questionsAt(c.slug)}
            prefetch={false}
            aria-current={c.slug === course.slug ? 'page' : undefined}
            className={chip(c.slug === course.slug)}
          >
            {c.code}
          </Link>
        ))}
      </nav>
      {page.open ? (
        <Live slug={page.room} events={page.open.view.events} followed={page.open.view.followed} />
      ) : null}
      {page.onlooker ? null : (
        <span className="ml-auto flex items-center gap-2">
          {page.staff ? null : (
            <Link className={`link px-1 text-[13.5px] ${aside}`} href={notebookAt()} prefetch={false}>
              Notebook
            </Link>
          )}
          {page.staff ? (
            <Link
              className="link px-1 text-[13.5px] max-sm:hidden"
              href={`${deskSettingsAt(course.slug)}#questions`}
              prefetch={false}
            >
              How they are taken
            </Link>
          ) : (
            <Link
              className="btn"
              href={
                page.line === null
                  ? askAt(course.slug, { ...FRESH, kind: 'line', audience: 'staff' })
                  : questionAt(course.slug, page.line)
              }
            >
              Your line<span className="sr-only"> to the staff</span>
            </Link>
          )}
          <Link className="btn go" href={askAt(course.slug, FRESH)}>
            {page.staff ? 'Tell or ask' : 'Ask'}
          </Link>
        </span>
      )}
    </div>
  );
}

/** Of an answer: that staff confirmed it; and for staff where to, and what else is made of one. */
function AnswerFoot({ page, post }: { page: QuestionsPage; post: ReadPost }) {
  const { open, staff, course } = page;
  if (!open || post.kind === 'response' || post.gone) return null;
  const by = open.confirmed[post.id];
  const place = { course: course.slug, number: open.line.number, post: post.id };
  const may = staff && post.author.role === 'student' && open.line.kind === 'asks';
  const ofStaff = staff && post.author.role !== 'student';
  if (by === undefined && !may && !ofStaff) return null;
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-3 text-[13px]">
      {ofStaff ? (
        <>
          <ActButton {...place} act="save-answer" told="Kept among your saved answers.">
            Keep it as a saved answer
          </ActButton>
          {open.line.audience === 'everybody' ? (
            <Link
              className="link inline-flex min-h-6 items-center"
              prefetch={false}
              href={announcementsAt(course.slug, { from: post.id })}
            >
              Make it an announcement
            </Link>
          ) : null}
        </>
      ) : by === undefined ? (
        <ActButton {...place} act="confirm" name={`, the answer of ${post.author.name}`}>
          This answer is right
        </ActButton>
      ) : (
        <>
          <b className="text-pine-ink">Confirmed by {by}</b>
          {may ? (
            <ActButton {...place} act="unconfirm" name={`the answer of ${post.author.name}`}>
              Take that back
            </ActButton>
          ) : null}
        </>
      )}
    </div>
  );
}

/** The open question on the left page, and the answer to it on the right. */
function OpenPages({ page, you }: { page: QuestionsPage; you: You }) {
  const { open, course, room } = page;
  if (!open) return null;
  const { view } = open;
  const look = lookOf(view, room, { course: course.slug, number: open.line.number, kind: open.line.kind });
  const read = (
    <ThreadPage
      look={look}
      posts={view.posts}
      authors={view.authors}
      at={view.open?.at ?? null}
      zone={course.zone}
      now={page.now}
      outside={false}
      staff={page.staff}
      onlooker={page.onlooker}
      above={<QuestionHead page={page} open={open} />}
      beneath={(post) =>
        post.kind === 'response' ? (
          <>
            {open.meets ? <ShownMeeting page={page} number={open.line.number} meeting={open.meets} /> : null}
            {open.hands ? <ShownHands page={page} hands={open.hands} number={open.line.number} /> : null}
          </>
        ) : (
          <AnswerFoot page={page} post={post} />
        )
      }
    />
  );
  if (page.onlooker) return <div className="plate flex min-h-[400px] flex-col overflow-hidden">{read}</div>;
  return (
    <FacingPages
      first="left"
      about={`${open.line.number} ${view.open?.at}`}
      ways={{ foot: <PostFoot view={view} look={look} /> }}
      left={{ name: 'The question', page: read }}
      right={{
        name: 'Your answer',
        page: (
          <>
            <Answered view={view} />
            <ReplySide
              view={view}
              slug={room}
              you={you}
              shared={null}
              next={null}
              asked={{ number: open.line.number, saved: open.saved }}
            />
          </>
        ),
      }}
    />
  );
}

/** What a form without scripts is refused by, in words. */
const REFUSED: ReadonlySet<string> = new Set([
  'taken',
  'over',
  'called-off',
  'no-such-slot',
  'no-such-time',
  'no-such-question',
  'not-yours-to-do',
  'closed',
]);

/** What is asked and told in a course: the list, and beside it one question, or the page to ask on. */
export function QuestionsView({
  page,
  you,
  answer,
  typed,
}: {
  page: QuestionsPage;
  you: You;
  /** What became of a form that was sent without scripts; null where none was. */
  answer: string | null;
  /** What stood in the fields of one that asks, by their names. */
  typed: Readonly<Record<string, string | undefined>>;
}) {
  const { course, open, ask } = page;
  const beside = open !== null || ask !== null;
  return (
    <main id="main">
      <Bar page={page} />
      <div className="px-4 pb-4 [--above:132px] sm:px-7">
        <div
          className={`grid grid-cols-[minmax(0,1fr)] gap-3 lg:gap-0 ${
            beside
              ? 'lg:grid-cols-[minmax(250px,310px)_minmax(0,1fr)]'
              : 'lg:grid-cols-[minmax(290px,420px)_minmax(0,1fr)]'
          }`}
        >
          <div
            className={`plate min-w-0 overflow-hidden lg:h-[calc(100dvh-var(--above))] lg:min-h-[520px] lg:rounded-r-none lg:border-r-0 ${beside ? 'max-lg:hidden' : ''}`}
          >
            <QuestionList page={page} />
          </div>
          <div className="min-w-0 lg:[&_.plate]:rounded-l-none">
            {answer && open && REFUSED.has(answer) ? (
              <p role="alert" className="mb-2 rounded-control bg-brick-tint px-3 py-2 font-medium">
                {noteAnswerText(answer, {})}
              </p>
            ) : null}
            {beside ? <BackToList href={listAt(page, page)} all="All questions" /> : null}
            {ask ? (
              <div className="plate flex flex-col overflow-hidden lg:h-[calc(100dvh-var(--above))] lg:min-h-[520px]">
                <AskDesk
                  key={ask.asking.kind === 'line' ? 'line' : 'question'}
                  refused={answer}
                  typed={typed}
                  course={course.slug}
                  room={page.room}
                  person={you.id}
                  author={you.name}
                  staff={page.staff}
                  zone={course.zone}
                  now={page.now}
                  ask={ask}
                  hours={[page.hours, answeredWithin(page.within)].filter(Boolean).join(' · ')}
                />
              </div>
            ) : open ? (
              <OpenPages page={page} you={you} />
            ) : (
              <div className="plate grid place-items-center overflow-hidden px-6 py-10 text-ink-2 max-lg:hidden lg:h-[calc(100dvh-var(--above))] lg:min-h-[520px]">
                <p className="max-w-[46ch] text-center">
                  Open a question, or ask. What one asks, everybody learns from; what only the staff should
                  know goes to them alone.
                </p>
              </div>
            )}
          </div>
        </div>
      </div>
    </main>
  );
}
