'use client';

import type { AskPage } from '@/contract/questions';
import { asking as askingEndpoint } from '@/contract/questions';
import { questionAt } from '@/contract/addresses';
import { settled, whoSees, type Asking } from '@/core/questions/asking';
import { useRouter } from 'next/navigation';
import { useMemo, useRef, useState } from 'react';
import { call } from '../request/call';
import { Desk } from '../writing/desk';
import type { ShareState } from '../writing/use-share';
import { useWriting } from '../writing/use-writing';
import { askAt } from './address';
import { aboutHref } from './about';
import { freshHands, HandsFields, handsOf, type HandsDraft } from './hands-fields';
import { Offers } from './offers';

const KINDS: readonly (readonly [Asking['kind'], string])[] = [
  ['asks', 'I ask'],
  ['tells', 'I tell'],
  ['hands', 'Show of hands'],
];
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
}) {
  const { course, ask, staff } = props;
  const { brief, draft } = ask;
  const router = useRouter();
  const [asking, setAsking] = useState(ask.asking);
  const [share, setShare] = useState<ShareState>({ state: 'idle' });
  const busy = useRef(false);
  const [hands, setHands] = useState<HandsDraft>(() => freshHands(props.now, props.zone));
  const place = {
    slug: props.room,
    course,
    person: props.person,
    kind: 'response' as const,
    parent: null,
  };
  const rules = useMemo(() => ({ kind: 'response' as const, brief, readings: [], given: [] }), [brief]);
  const { form, ...writing } = useWriting({
    place,
    draft,
    parts: [],
    rules,
    label: 'What you ask',
    placeholder: asking.kind === 'tells' ? 'What do you want to tell?' : 'What do you want to know?',
  });
  const choose = (part: Partial<Asking>) => {
    const next = { ...asking, ...part };
    setAsking(next);
    window.history.replaceState(null, '', askAt(course, next));
  };
  const held = settled(asking, { grouped: ask.group !== null, coverFromStaff: ask.coverFromStaff });
  const line = asking.kind === 'line';
  const showsHands = asking.kind === 'hands';
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
      },
    );
    busy.current = false;
    if (!answer.ok) return setShare({ state: 'failed', failure: answer });
    writing.keeper.finish();
    router.replace(questionAt(course, answer.value.number));
    router.refresh();
  };
  const button = line
    ? 'Send to the staff'
    : asking.kind === 'tells'
      ? 'Tell it'
      : showsHands
        ? 'Ask for hands'
        : 'Ask';
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
      titleHint={asking.kind === 'tells' ? 'What it is, in a line' : 'Your question, in a line'}
      label="What you ask"
      refused={null}
      forecast={sees}
      plainButton={null}
      above={
        <div className="grid gap-2 border-b border-rule bg-page-2 px-4 py-3 sm:px-5">
          <h2 className="text-[17px]">
            {line
              ? 'Your line to the staff'
              : asking.kind === 'tells'
                ? 'Tell the course'
                : showsHands
                  ? 'Ask for a show of hands'
                  : 'Ask'}
          </h2>
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
                of={KINDS}
                chosen={asking.kind}
                href={(kind) => askAt(course, { ...asking, kind })}
                choose={(kind) => choose({ kind })}
              />
              <Choice
                name="Who sees it"
                of={AUDIENCES.filter(([id]) => id !== 'group' || ask.group !== null)}
                chosen={asking.audience}
                href={(audience) => askAt(course, { ...asking, audience })}
                choose={(audience) => choose({ audience })}
              />
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
          {showsHands ? <HandsFields hands={hands} change={setHands} /> : null}
          {asking.kind === 'asks' ? (
            <Offers course={course} title={writing.title} editor={writing.editor} />
          ) : null}
        </div>
      }
      buttons={
        <button
          type="button"
          className="btn go"
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
