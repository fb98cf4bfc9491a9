'use client';

import { eachDiscussionAt, mailOnAt, noticeRulesAt } from '@/contract/addresses';
import { keepRules, type NoticesPage } from '@/contract/notices';
import { rulesFromFields } from '@/core/notices/fields';
import { CHOSEN_KINDS, WAYS, type Way } from '@/core/notices/kinds';
import { onceADay, rulesSchema, type NoticeRules } from '@/core/notices/rules';
import { beforeInWords } from '@/core/notices/say';
import Link from 'next/link';
import { useRef, useState, type ReactNode } from 'react';
import { call } from '../request/call';
import {
  beforeWords,
  dayName,
  fewerWords,
  forecastTitle,
  forecastWords,
  hoursListed,
  KIND_WORDS,
  listed,
  quietWords,
  WAY_WORDS,
} from '../words/notices';
import { moment } from '../words/time';
import { ThisDevice } from './this-device';

const DISTANCES = [10_080, 4_320, 2_880, 1_440, 720, 300, 120, 60];

/** What the columns are called. */
const heading = (way: Way, rules: NoticeRules): ReactNode => {
  switch (way) {
    case 'once':
      return 'Mail at once';
    case 'gathered':
      return `Gathered, at ${hoursListed(rules.gatheredAt)}`;
    case 'daily':
      return `Once a day, at ${hoursListed([rules.dailyAt])}`;
    case 'here':
      return 'Only here';
  }
};

const Time = ({ name, value, label }: { name: string; value: string; label: string }) => (
  <label className="grid gap-1 font-semibold">
    {label}
    <input className="field w-28 font-normal" name={name} defaultValue={value} inputMode="text" required />
  </label>
);

/** A line that says how something is, and what it can be changed to. */
const Changing = ({ says, children }: { says: string; children: ReactNode }) => (
  <details className="border-t border-rule py-2.5 first:border-t-0">
    <summary className="flex cursor-pointer list-none items-baseline justify-between gap-3">
      <span>{says}</span>
      <span className="shrink-0 font-semibold text-sky">Change</span>
    </summary>
    <div className="grid gap-3 pt-3">{children}</div>
  </details>
);

const boxes = 'flex min-h-8 items-center gap-2';
const box = 'size-4 accent-pine';

type State = 'kept' | 'keeping' | 'not-kept' | 'wrong';

const STATE_WORDS: Record<State, string> = {
  kept: 'Kept.',
  keeping: 'Being kept…',
  'not-kept': 'Not kept: nobody answered. What you chose stands here; choose once more to try again.',
  wrong: 'Not kept: a time is written as 08:00, and one day of the week is not quiet.',
};

/** How notices reach somebody: chosen here and kept at once; without scripts a plain form. */
export function Delivery({ page }: { page: NoticesPage }) {
  const [rules, setRules] = useState(page.rules);
  const [meaning, setMeaning] = useState(page.meaning);
  const [state, setState] = useState<State | null>(null);
  const sent = useRef(0);

  const keep = async (form: HTMLFormElement, changed = (as: NoticeRules) => as) => {
    const read = rulesSchema.safeParse(rulesFromFields(new URLSearchParams(new FormData(form) as never)));
    const turn = (sent.current += 1);
    if (!read.success) return setState('wrong');
    const wanted = changed(read.data);
    setRules(wanted);
    for (const kind of CHOSEN_KINDS)
      for (const way of form.querySelectorAll<HTMLInputElement>(`input[type=radio][name=way-${kind}]`))
        way.checked = way.value === wanted.ways[kind];
    setState('keeping');
    const answer = await call(keepRules, {}, wanted);
    // Only the last word counts: an earlier one may be answered later.
    if (turn !== sent.current) return;
    setState(answer.ok ? 'kept' : 'not-kept');
    if (answer.ok) setMeaning(answer.value);
  };

  const kinds = CHOSEN_KINDS.filter((k) => k !== 'desk' || page.staff);
  const distances = [...new Set([...DISTANCES, ...page.rules.before])].sort((a, b) => b - a);
  return (
    <div className="grid content-start gap-3 bg-page-2 px-4 py-4 text-[13px] sm:px-5">
      <h2 className="text-[17px]">How they reach you</h2>
      {page.off ? (
        <div className="rounded-control bg-brick-tint px-3 py-2.5">
          <b>
            No mail is sent to {page.address} since {moment(page.off.at, page.zone)}.
          </b>
          <p>
            What came back said: “{page.off.why}”. Nothing is lost: all of it stands here. Where the address
            works again, say so.
          </p>
          <form action={mailOnAt()} method="post" className="mt-2">
            <button className="btn">Send mail to it again</button>
          </form>
        </div>
      ) : null}
      <form
        action={noticeRulesAt()}
        method="post"
        onChange={(e) => void keep(e.currentTarget)}
        onSubmit={(e) => {
          e.preventDefault();
          void keep(e.currentTarget);
        }}
      >
        {/* What is not shown stays as it is. */}
        {page.staff ? null : <input type="hidden" name="way-desk" value={page.rules.ways.desk} />}
        <table className="w-full border-separate border-spacing-0 overflow-hidden rounded-control border border-rule bg-page">
          <caption className="sr-only">By which way each kind of notice reaches you</caption>
          <thead>
            <tr className="bg-page-2 text-[12px] text-ink-2">
              <th scope="col" className="px-2.5 py-2 text-left font-semibold">
                What
              </th>
              {WAYS.map((way) => (
                <th key={way} scope="col" className="px-1 py-2 text-center font-semibold">
                  {heading(way, rules)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {kinds.map((kind) => (
              <tr key={kind}>
                <th scope="row" className="border-t border-rule-soft px-2.5 py-1.5 text-left font-normal">
                  {KIND_WORDS[kind]}
                </th>
                {WAYS.map((way) => (
                  <td key={way} className="border-t border-rule-soft p-0 text-center">
                    <label className="grid min-h-8 cursor-pointer place-items-center">
                      <input
                        type="radio"
                        className={box}
                        name={`way-${kind}`}
                        value={way}
                        defaultChecked={page.rules.ways[kind] === way}
                        aria-label={`${KIND_WORDS[kind]}: ${WAY_WORDS[way]}`}
                      />
                    </label>
                  </td>
                ))}
              </tr>
            ))}
            <tr>
              <th scope="row" className="border-t border-rule-soft px-2.5 py-2 text-left font-normal">
                Announcements <span className="text-ink-3">always by mail, to everybody</span>
              </th>
              <td className="border-t border-rule-soft text-center">
                <span aria-label="always at once">●</span>
              </td>
              {['gathered', 'daily', 'here'].map((way) => (
                <td key={way} className="border-t border-rule-soft text-center text-ink-3">
                  –
                </td>
              ))}
            </tr>
          </tbody>
        </table>
        <div
          className="mt-2.5 rounded-control border border-pine/30 bg-pine-tint px-3 py-2"
          aria-live="polite"
        >
          <b>{forecastTitle(meaning.now)}</b>
          <p>{forecastWords(meaning.now)}</p>
          {meaning.fewer.aWeek < meaning.now.aWeek ? (
            <button
              type="button"
              className="link hidden min-h-6 font-semibold scripted:inline"
              onClick={(e) => e.currentTarget.form && void keep(e.currentTarget.form, onceADay)}
            >
              {fewerWords(meaning.fewer)}
            </button>
          ) : null}
          {state ? (
            <p
              className={
                state === 'wrong' || state === 'not-kept' ? 'font-semibold text-brick' : 'text-ink-2'
              }
            >
              {STATE_WORDS[state]}
            </p>
          ) : null}
        </div>
        <div className="mt-2">
          <Changing
            says={`Gathered at ${hoursListed(rules.gatheredAt)}; once a day at ${hoursListed([rules.dailyAt])}`}
          >
            <div className="flex flex-wrap gap-3">
              <label className="grid gap-1 font-semibold">
                Gathered at these times, at most six
                <input
                  className="field w-56 font-normal"
                  name="gatheredAt"
                  defaultValue={page.rules.gatheredAt.join(', ')}
                  required
                />
              </label>
              <Time name="dailyAt" value={page.rules.dailyAt} label="Once a day at" />
            </div>
          </Changing>
          <Changing says={quietWords(rules)}>
            <p className="text-ink-2">
              Then nothing is sent, by your clock ({page.zone.replace(/_/gu, ' ')}); it comes afterwards.
            </p>
            <label className={boxes}>
              <input
                type="checkbox"
                className={box}
                name="quiet"
                value="yes"
                defaultChecked={page.rules.quiet !== null}
              />
              Quiet hours
            </label>
            <div className="flex flex-wrap gap-3">
              <Time name="quietFrom" value={page.rules.quiet?.from ?? '22:00'} label="From" />
              <Time name="quietTo" value={page.rules.quiet?.to ?? '07:00'} label="To" />
            </div>
            <fieldset className="flex flex-wrap gap-x-4">
              <legend className="font-semibold">Quiet all day on</legend>
              {[1, 2, 3, 4, 5, 6, 7].map((d) => (
                <label key={d} className={boxes}>
                  <input
                    type="checkbox"
                    className={box}
                    name="quietDay"
                    value={d}
                    defaultChecked={page.rules.quietDays.includes(d)}
                  />
                  {dayName(d)}
                </label>
              ))}
            </fieldset>
          </Changing>
          <Changing says={beforeWords(rules)}>
            <fieldset className="flex flex-wrap gap-x-4">
              <legend className="font-semibold">Remind me so long before each deadline, at most five</legend>
              {distances.map((minutes) => (
                <label key={minutes} className={boxes}>
                  <input
                    type="checkbox"
                    className={box}
                    name="before"
                    value={minutes}
                    defaultChecked={page.rules.before.includes(minutes)}
                  />
                  {beforeInWords(minutes)}
                </label>
              ))}
            </fieldset>
          </Changing>
        </div>
        <button className="btn mt-2 scripted:hidden">Keep this</button>
      </form>
      {page.pushKey ? <ThisDevice pushKey={page.pushKey} devices={page.devices} /> : null}
      <p className="flex items-baseline justify-between gap-3 border-t border-rule pt-2.5">
        <span>
          {page.heard.filter((d) => d.open && d.follows).length
            ? listed(
                page.heard
                  .filter((d) => d.open && d.follows)
                  .map((d) => `${d.course} week ${d.week}: ${WAY_WORDS[d.way ?? rules.ways.post]}`),
              )
            : 'You follow no open discussion. Who shares a response follows its discussion.'}
        </span>
        <Link className="link shrink-0 font-semibold" href={eachDiscussionAt()}>
          Each discussion
        </Link>
      </p>
    </div>
  );
}
