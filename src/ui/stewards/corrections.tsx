import { correctionsActAt } from '@/contract/addresses';
import type { CorrectionsPage } from '@/contract/stewards';
import { fieldName, fieldValue } from '../words/outside';
import { plural } from '../words/plural';
import { ActButton } from './frame';

/** What people put right of what was read of prompts, and gave: to look at, to give on, and to forget. */
export function Corrections({ page: { lines, total } }: { page: CorrectionsPage }) {
  return (
    <section aria-labelledby="given" className="plate overflow-hidden">
      <div className="grid gap-3 border-b border-rule-soft px-5 py-4">
        <h2 id="given" className="text-[18px]">
          {total ? plural(total, 'correction', 'corrections') : 'Nothing was given yet'}
        </h2>
        <p className="max-w-[70ch] text-[14px] text-ink-2">
          Whoever corrects what was read of a prompt may give that on. Kept are the field, the words it was
          read from, what was read and what is meant, and the day; not who gave it, nor the rest of the
          prompt. It leaves this installation only as the file you save here.
        </p>
        {total ? (
          <div className="flex flex-wrap gap-2">
            <ActButton action={correctionsActAt()} act="file" label="Save them as a file" />
            <ActButton action={correctionsActAt()} act="forget" label="Delete them all" danger />
          </div>
        ) : null}
      </div>
      {lines.length ? (
        <ol>
          {lines.map((c, i) => (
            <li
              key={i}
              className="grid gap-x-4 gap-y-0.5 border-t border-rule-soft px-5 py-2.5 first:border-t-0 sm:grid-cols-[190px_1fr]"
            >
              <span className="text-[13px] text-ink-2">
                {c.on} · {fieldName(c.field)}
              </span>
              <span>
                <span className="text-ink-2">read</span> {fieldValue(c.field, c.read)},{' '}
                <span className="text-ink-2">meant</span> <b>{fieldValue(c.field, c.meant)}</b>{' '}
                <i className="font-serif">“{c.words}”</i>
              </span>
            </li>
          ))}
        </ol>
      ) : null}
      {total > lines.length ? (
        <p className="border-t border-rule-soft px-5 py-2.5 text-[13px] text-ink-2">
          And {total - lines.length} earlier ones, which are in the file.
        </p>
      ) : null}
    </section>
  );
}
