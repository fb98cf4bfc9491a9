import { chooseWayAt, noticesAt } from '@/contract/addresses';
import type { HeardDiscussion } from '@/contract/notices';
import { WAYS, type Way } from '@/core/notices/kinds';
import Link from 'next/link';
import { AnswerLine, type Answer } from '../frame/answer';
import { WAY_WORDS } from '../words/notices';

const chosenOf = ({ follows, way }: HeardDiscussion) => (follows ? (way ?? 'rule') : 'none');

/** Discussion by discussion, more or less than one's rule: plain forms. */
export function EachDiscussion(props: { heard: HeardDiscussion[]; rule: Way; answer: Answer | null }) {
  return (
    <main id="main" className="mx-auto grid max-w-[860px] gap-4 px-4 py-5 sm:px-7">
      <div>
        <Link className="link text-[13px]" href={noticesAt()}>
          Notices
        </Link>
        <h1 className="text-[23px] leading-tight">New posts, discussion by discussion</h1>
        <p className="mt-1 text-ink-2">
          Your rule for new posts where you follow: <b>{WAY_WORDS[props.rule]}</b>. Here you can hear more of
          one discussion, or less. Replies to you and your name always go by their own rule.
        </p>
      </div>
      <AnswerLine answer={props.answer} />
      {props.heard.length === 0 ? (
        <p className="plate px-5 py-4 text-ink-2">No discussion is open now.</p>
      ) : null}
      <ul className="grid gap-2">
        {props.heard.map((d) => (
          <li key={d.slug} className="plate px-4 py-3">
            <form action={chooseWayAt(d.slug)} method="post" className="flex flex-wrap items-end gap-3">
              <span className="min-w-0 flex-1 basis-60">
                <b className="block">{d.title}</b>
                <span className="text-[12.5px] text-ink-2">
                  {d.course} week {d.week}
                  {d.open ? '' : ' · over'}
                </span>
              </span>
              <label className="grid gap-1 text-[13px] font-semibold">
                New posts
                <select name="chosen" className="field font-normal" defaultValue={chosenOf(d)}>
                  <option value="rule">as my rule says</option>
                  {WAYS.map((way) => (
                    <option key={way} value={way}>
                      {WAY_WORDS[way]}
                    </option>
                  ))}
                  <option value="none">I do not follow it</option>
                </select>
              </label>
              <button className="btn">Keep</button>
            </form>
          </li>
        ))}
      </ul>
    </main>
  );
}
