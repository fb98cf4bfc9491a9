'use client';

import type { AskPage } from '@/contract/questions';
import { asking as askingEndpoint } from '@/contract/questions';
import { questionAt, questionsAskedAt } from '@/contract/addresses';
import { settled, whoSees, type Asking } from '@/core/questions/asking';
import { useRouter } from 'next/navigation';
import { useMemo, useRef, useState } from 'react';
import { call } from '../request/call';
import { Desk } from '../writing/desk';
import type { ShareState } from '../writing/use-share';
import { useWriting } from '../writing/use-writing';
import { askAt } from './address';
import { aboutHref } from './about';
import { freshMeeting, MeetingFields, meetingOf, meetingTyped, type MeetingDraft } from './meeting-fields';
import { shareFailureText, type SaidByCode } from '../words/failures';
import { freshHands, HandsFields, handsOf, handsTyped, type HandsDraft } from './hands-fields';
import { Offers } from './offers';

/** What there is to choose: hours to meet are the staff's to offer, and a corner is there where the course keeps one. */
const kindsFor = (staff: boolean, corner: string): readonly (readonly [Asking['kind'], string])[] => [
  ['asks', 'I ask'],
  ['tells', 'I tell'],
  ['hands', 'Show of hands'],
  ...(staff ? [['meets', 'Hour to meet'] as const] : []),
  ...(corner ? [['corner', corner] as const] : []),
];
/** What the page says of each: its head, the hint in the title, the hint in the text, and its button. */
const SAYS: Record<Asking['kind'], { head: string; title: string; text: string; button: string }> = {
  asks: { head: 'Ask', title: 'Your question, in a line', text: 'What do you want to know?', button: 'Ask' },
  tells: {
    head: 'Tell the course',
    title: 'What it is, in a line',
    text: 'What do you want to tell?',
    button: 'Tell it',
  },
  line: {
    head: 'Your line to the staff',
    title: '',
    text: 'What do you want to say?',
    button: 'Send to the staff',
  },
  hands: {
    head: 'Ask for a show of hands',
    title: 'Your question, in a line',
    text: 'What do you want to know?',
    button: 'Ask for hands',
  },
  meets: {
    head: 'Offer an hour to meet',
    title: 'What it is for, in a line',
    text: 'What should they know before they come?',
    button: 'Offer it',
  },
  corner: {
    head: 'About anything',
    title: 'What it is, in a line',
    text: 'Whatever you like',
    button: 'Put it there',
  },
};
const PLAIN_FORM = 'asked';
const AUDIENCES: readonly (readonly [Asking['audience'], string])[] = [
  ['everybody', 'To everybody'],
  ['group', 'To my group'],
  ['staff', 'To the staff only'],
];
const COVERS: readonly (readonly [Asking['cover'], string])[] = [
  ['no', 'With my name'],
  ['class', 'Name covered from the class'],
  ['all', 'Name covered from staff, too'],
];

/** One choice among some: a link, so that it is in the address, and is there after a reload. */
function Choice<T extends string>(props: {
  name: string;
  of: readonly (readonly [T, string])[];
  chosen: T;
  href: (choice: T) => string;
  choose: (choice: T) => void;
}) {
  return (
    <span role="group" aria-label={props.name} className="flex flex-wrap gap-1.5">
      {props.of.map(([id, label]) => (
        <a
          key={id}
          href={props.href(id)}
          aria-current={id === props.chosen ? 'true' : undefined}
          onClick={(e) => {
            e.preventDefault();
            props.choose(id);
          }}
          className={`btn !min-h-9 ${id === props.chosen ? '!border-ink !bg-ink !text-page' : ''}`}
        >
          {label}
        </a>
      ))}
    </span>
  );
}

/** The page to ask on: the same desk as for a response, with who will see it, and whose name, said before. */
export function AskDesk(props: {
  course: string;
  room: string;
  person: string;
  author: string;
  staff: boolean;
  zone: string;
  now: number;
  ask: AskPage;
  hours: string;
  /** Why it was not asked, where the form without scripts came back. */
  refused: string | null;
  /** What stood in the fields beside the text then, by their names. */
  typed: Readonly<Record<string, string | undefined>>;
}) {
  const { course, ask, staff } = props;
  const { brief, draft } = ask;
  const router = useRouter();
  const [asking, setAsking] = useState(ask.asking);
  const [share, setShare] = useState<ShareState>({ state: 'idle' });
  const busy = useRef(false);
  const [meeting, setMeeting] = useState<MeetingDraft>(() =>
    props.typed.starts === undefined ? freshMeeting(props.now, props.zone) : meetingTyped(props.typed),
  );
  const [hands, setHands] = useState<HandsDraft>(() =>
    props.typed.closes === undefined ? freshHands(props.now, props.zone) : handsTyped(props.typed),
  );
  const place = {
    slug: props.room,
    course,
    person: props.person,
    // What begins a line answers nothing yet; it is no draft of a question.
    kind: ask.asking.kind === 'line' ? ('reply' as const) : ('response' as const),
    parent: null,
  };
  const rules = useMemo(() => ({ kind: 'response' as const, brief, readings: [], given: [] }), [brief]);
  const { form, ...writing } = useWriting({
    place,
    draft,
    parts: [],
    rules,
    label: 'What you ask',
    placeholder: SAYS[asking.kind].text,
  });
  const choose = (part: Partial<Asking>) => {
    const next = { ...asking, ...part };
    setAsking(next);
    window.history.replaceState(null, '', askAt(course, next));
  };
  const held = settled(asking, {
    grouped: ask.group !== null,
    coverFromStaff: ask.coverFromStaff,
    corner: ask.corner !== '',
    staff,
  });
  const line = asking.kind === 'line';
  const showsHands = asking.kind === 'hands';
  const meets = asking.kind === 'meets';
  // Everybody sees what stands there, and meeting somebody is nobody's secret.
  const open = meets || asking.kind === 'corner';
  const sees = held.ok ? whoSees(held.asking, ask) : '';
  const go = async () => {
    if (busy.current) return;
    busy.current = true;
    setShare({ state: 'sharing' });
    const { title, doc } = writing.text();
    const answer = await call(
      askingEndpoint,
      { course },
      {
        submission: writing.keeper.submission,
        title,
        doc,
        asking,
        hands: showsHands ? handsOf(hands) : null,
        meets: meets ? meetingOf(meeting) : null,
      },
    );
    busy.current = false;
    if (!answer.ok) return setShare({ state: 'failed', failure: answer });
    writing.keeper.finish();
    router.replace(questionAt(course, answer.value.number));
    router.refresh();
  };
  const { head, title, button } = SAYS[asking.kind];
  return (
    <Desk
      writing={writing}
      form={form}
      place={place}
      author={props.author}
      staff={staff}
      draft={draft}
      parts={[]}
      share={share}
      zone={props.zone}
      withTitle={!line}
      titleHint={title}
      label="What you ask"
      refused={null}
      forecast={sees}
      warns
      plainButton={button}
      plainTo={{
        id: PLAIN_FORM,
        action: questionsAskedAt(course),
        fields: {
          ask: asking.kind,
          to: asking.audience,
          name: asking.cover,
          about: asking.about ? JSON.stringify(asking.about) : '',
        },
      }}
      above={
        <div className="grid gap-2 border-b border-rule bg-page-2 px-4 py-3 sm:px-5">
          <h2 className="text-[17px]">{asking.kind === 'corner' ? ask.corner : head}</h2>
          {props.refused === 'kept' ? (
            <p role="status" className="scripted:hidden">
              Kept as a draft. Nobody else reads it.
            </p>
          ) : props.refused && share.state === 'idle' ? (
            <p role="alert" className="rounded-control bg-brick-tint px-3 py-2 font-medium">
              {shareFailureText({ code: props.refused as SaidByCode }, props.zone)}
            </p>
          ) : null}
          {asking.about ? (
            <p className="text-[13px] text-ink-2">
              About{' '}
              <a className="link" href={aboutHref(asking.about)}>
                {asking.about.called}
              </a>
            </p>
          ) : null}
          {line ? (
            <p className="text-[13px] text-ink-2">
              One exchange that goes on as long as the course: only you and the staff read it. {props.hours}
            </p>
          ) : (
            <div className="flex flex-wrap gap-x-5 gap-y-2">
              <Choice
                name="What it is"
                of={kindsFor(staff, ask.corner)}
                chosen={asking.kind}
                href={(kind) => askAt(course, { ...asking, kind })}
                choose={(kind) => choose({ kind })}
              />
              {open ? null : (
                <Choice
                  name="Who sees it"
                  of={AUDIENCES.filter(([id]) => id !== 'group' || ask.group !== null)}
                  chosen={asking.audience}
                  href={(audience) => askAt(course, { ...asking, audience })}
                  choose={(audience) => choose({ audience })}
                />
              )}
              {staff ? null : (
                <Choice
                  name="Your name"
                  of={COVERS.filter(
                    ([id]) =>
                      (id !== 'all' || ask.coverFromStaff) && (id !== 'class' || asking.audience !== 'staff'),
                  )}
                  chosen={held.ok ? held.asking.cover : asking.cover}
                  href={(cover) => askAt(course, { ...asking, cover })}
                  choose={(cover) => choose({ cover })}
                />
              )}
            </div>
          )}
          {showsHands ? <HandsFields hands={hands} change={setHands} form={PLAIN_FORM} /> : null}
          {meets ? <MeetingFields meeting={meeting} change={setMeeting} form={PLAIN_FORM} /> : null}
          {asking.kind === 'asks' ? (
            <Offers course={course} title={writing.title} editor={writing.editor} />
          ) : null}
        </div>
      }
      go={
        <button
          type="button"
          className="btn go shrink-0"
          data-key-share=""
          disabled={share.state === 'sharing'}
          onClick={() => void go()}
        >
          {share.state === 'sharing' ? 'Sending…' : button}
        </button>
      }
    />
  );
}
