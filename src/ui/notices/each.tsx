import { chooseWayAt, noticesAt } from '@/contract/addresses';
import type { HeardDiscussion } from '@/contract/notices';
import { WAYS, type Way } from '@/core/notices/kinds';
import Link from 'next/link';
import { AnswerLine, type Answer } from '../frame/answer';
import { plural } from '../words/plural';
import { WAY_WORDS } from '../words/notices';

const chosenOf = ({ follows, way }: { follows: boolean; way: Way | null }) =>
  follows ? (way ?? 'rule') : 'none';

/** A plain form that chooses for one place. */
const Choice = (props: {
  slug: string;
  thread: number | null;
  chosen: string;
  label: string;
  asRule: string;
}) => (
  <form action={chooseWayAt(props.slug)} method="post" className="flex items-end gap-2">
    {props.thread === null ? null : <input type="hidden" name="thread" value={props.thread} />}
    <select name="chosen" aria-label={props.label} className="field" defaultValue={props.chosen}>
      <option value="rule">{props.asRule}</option>
      {WAYS.map((way) => (
        <option key={way} value={way}>
          {WAY_WORDS[way]}
        </option>
      ))}
      <option value="none">I do not follow it</option>
    </select>
    <button className="btn">Keep</button>
  </form>
);

/** Discussion by discussion, and thread by thread, more or less than one's rule: plain forms. */
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
          one discussion or thread, or less. Replies to you and your name always go by their own rule.
        </p>
      </div>
      <AnswerLine answer={props.answer} />
      {props.heard.length === 0 ? (
        <p className="plate px-5 py-4 text-ink-2">No discussion is open now.</p>
      ) : null}
      <ul className="grid gap-2">
        {props.heard.map((d) => (
          <li key={d.slug} className="plate px-4 py-3">
            <div className="flex flex-wrap items-center gap-3">
              <span className="min-w-0 flex-1 basis-60">
                <b className="block">{d.title}</b>
                <span className="text-[12.5px] text-ink-2">
                  {d.course} week {d.week}
                  {d.open ? '' : ' · over'}
                </span>
              </span>
              <Choice
                slug={d.slug}
                thread={null}
                chosen={chosenOf(d)}
                label={`New posts in ${d.title}`}
                asRule="as my rule says"
              />
            </div>
            {d.threads.length ? (
              <details className="mt-2 border-t border-rule-soft pt-2">
                <summary className="cursor-pointer text-[13px] font-semibold text-sky">
                  {plural(d.threads.length, 'thread')} of yours in it
                </summary>
                <ul>
                  {d.threads.map((t) => (
                    <li key={t.id} className="flex flex-wrap items-center justify-between gap-3 py-1.5">
                      <span className="text-[13.5px]">
                        #{t.id} by {t.by}
                      </span>
                      <Choice
                        slug={d.slug}
                        thread={t.id}
                        chosen={chosenOf(t)}
                        label={`New posts in the thread of #${t.id} by ${t.by}`}
                        asRule="as the discussion"
                      />
                    </li>
                  ))}
                </ul>
              </details>
            ) : null}
          </li>
        ))}
      </ul>
    </main>
  );
}
