import Link from 'next/link';
import { responseAt } from '@/contract/addresses';
import type { PromptChange } from '@/contract/discussion';
import { ComparedView } from '../history/difference-view';
import { ruleChangeText } from '../words/rule-changes';
import { moment } from '../words/time';

function Change({ change, zone }: { change: PromptChange; zone: string }) {
  return (
    <li className="border-t border-rule-soft pt-4">
      <h3 className="mb-2 text-[15.5px]">
        {moment(change.at, zone)}
        {change.by ? (
          <span className="font-sans text-[13px] font-normal text-ink-2"> by {change.by}</span>
        ) : null}
      </h3>
      {change.rules.length ? (
        <dl className="mb-3 grid gap-x-4 gap-y-1 text-[14px] sm:grid-cols-[minmax(0,220px)_1fr]">
          {change.rules.map((rule) => {
            const { name, was, is } = ruleChangeText(rule);
            return (
              <div key={rule.field} className="contents">
                <dt className="font-semibold">{name}</dt>
                <dd className="max-sm:mb-1">
                  <del className="only-first">{was}</del> <ins className="only-second">{is}</ins>
                </dd>
              </div>
            );
          })}
        </dl>
      ) : null}
      {change.text === 'changed' ? (
        <ComparedView
          compared={change.compared}
          names={{ first: 'the text before', second: 'the new one' }}
        />
      ) : (
        <p className="text-[12.5px] text-ink-2">The text itself stayed as it was.</p>
      )}
    </li>
  );
}

/** Every change of what a discussion asks for, newest first. */
export function PromptChangesPage(props: { slug: string; changes: readonly PromptChange[]; zone: string }) {
  const { slug, changes, zone } = props;
  return (
    <section className="plate mx-auto max-w-[820px] px-5 py-5 sm:px-8" aria-labelledby="changes">
      <h2 id="changes" className="text-[19px]">
        What was changed in this prompt
      </h2>
      <p className="mt-1 text-[13px] text-ink-2">
        {changes.length
          ? 'What you had shared before keeps what it met: nobody is asked for more than was asked when they shared. '
          : 'Nothing was changed since you can see it. '}
        <Link className="link" href={responseAt(slug)}>
          To the prompt
        </Link>
      </p>
      <ol className="mt-4 grid gap-6">
        {changes.map((change) => (
          <Change key={change.at} change={change} zone={zone} />
        ))}
      </ol>
    </section>
  );
}
