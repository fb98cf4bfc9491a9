import { outsideAt, putAwayAt, termSaidAt } from '@/contract/addresses';
import type { TermPage } from '@/contract/outside';
import Link from 'next/link';
import { FIELD_NAMES, fieldProblemText } from '../words/outside';
import { againstText } from '../words/elsewhere';
import { plural } from '../words/plural';
import { wallText } from '../words/time';
import { WhenField } from '../frame/when-field';

const label = 'grid content-start gap-0.5 text-[12.5px] font-semibold';

/** One discussion that a plan names: whether it is taken, what it is called, its week and both deadlines, and the words it was read from. */
function Row({ page, i }: { page: TermPage; i: number }) {
  const row = page.term.rows[i];
  const against = page.against[i];
  const problems = page.problems[i] ?? [];
  if (!row || !against) return null;
  const { what, standing } = against;
  const wrong = (field: string) =>
    problems
      .filter((p) => p.field === field)
      .map((p) => (
        <span key={p.code} className="font-normal text-brick">
          {fieldProblemText(p)}
        </span>
      ));
  return (
    <li
      className="border-t border-rule-soft px-4 py-3 first:border-t-0"
      aria-label={row.title || `Row ${i + 1}`}
    >
      <div className="grid gap-x-3 gap-y-2 md:grid-cols-[auto_minmax(0,1fr)_72px_190px_190px]">
        <label className="flex min-h-9 items-center gap-2 self-start text-[13px] font-semibold md:mt-[19px]">
          <input
            type="checkbox"
            name={`take-${i}`}
            defaultChecked={row.take && what !== 'known'}
            disabled={what === 'known'}
            className="size-4 accent-(--pine)"
          />
          <span className="md:sr-only">Take it</span>
        </label>
        <label className={label}>
          Title
          <input className="field font-normal" name={`title-${i}`} defaultValue={row.title} maxLength={200} />
          {wrong('title')}
        </label>
        <label className={label}>
          Week
          <input
            className="field font-normal"
            name={`week-${i}`}
            defaultValue={row.week ?? ''}
            inputMode="numeric"
            maxLength={2}
          />
          {wrong('week')}
        </label>
        <label className={label}>
          Response due
          <WhenField
            className="field w-full font-normal"
            name={`response-${i}`}
            wall={row.responseDue ?? ''}
          />
          {wrong('responseDue')}
        </label>
        <label className={label}>
          Replies due
          <WhenField className="field w-full font-normal" name={`replies-${i}`} wall={row.repliesDue ?? ''} />
          {wrong('repliesDue')}
        </label>
      </div>
      <p className="mt-1 text-[12.5px] text-ink-2 md:pl-7">
        {what === 'new' ? null : (
          <b className={what === 'moved' ? 'text-ochre-ink' : ''}>
            {againstText(
              what,
              standing
                ? { response: wallText(standing.responseDue), replies: wallText(standing.repliesDue) }
                : null,
            )}{' '}
          </b>
        )}
        {row.usual ? 'Its days are those of every week. ' : ''}
        <span className="font-serif">“{row.said.replace(/\n/gu, ' · ')}”</span>
      </p>
    </li>
  );
}

/** The discussions of a term that a syllabus or a calendar names, in one table, to be put right and made all at once. */
export function TermRows(page: TermPage) {
  const { id, term, against, problems } = page;
  const count = (what: string) => against.filter((a) => a.what === what).length;
  const wrong = problems.filter((p) => p.length > 0).length;
  return (
    <main id="main" className="mx-auto max-w-[1100px] px-4 py-5 sm:px-7">
      <h1 className="text-[23px] leading-tight">Are these the term’s discussions?</h1>
      <p className="mt-1 max-w-[72ch] text-[14px] text-ink-2">
        Found in {page.source}: {plural(term.rows.length, 'discussion')}
        {count('moved') ? `, ${count('moved')} with other deadlines than here` : ''}
        {count('known') ? `, ${count('known')} here already` : ''}. Put right what is wrong, and take out what
        is not one. Each becomes a discussion of your own, in which its prompt still waits to be brought in.
      </p>
      {page.hosted ? (
        <p role="alert" className="mt-3 rounded-control bg-brick-tint px-3 py-2 font-medium">
          {fieldProblemText({ field: 'course', code: 'hosted-here', course: page.hosted })}
        </p>
      ) : null}
      {wrong ? (
        <p role="status" className="mt-3 rounded-control bg-ochre-tint px-3 py-2 font-medium">
          {plural(wrong, 'row')} {wrong === 1 ? 'needs' : 'need'} something first: nothing is made until then,
          and nothing you typed is lost.
        </p>
      ) : null}
      <form action={termSaidAt(id)} method="post" className="mt-4 grid gap-4">
        {/* Enter in a field keeps, and makes nothing yet. */}
        <button name="act" value="keep" className="sr-only" tabIndex={-1} aria-hidden>
          Keep
        </button>
        <div className="grid gap-3 sm:grid-cols-2">
          <label className={label}>
            Course
            <input
              className="field font-normal"
              name="course"
              defaultValue={term.course}
              maxLength={60}
              list="own-courses"
              required
            />
          </label>
          <datalist id="own-courses">
            {page.courses.map((c) => (
              <option key={c} value={c} />
            ))}
          </datalist>
          <label className={label}>
            {FIELD_NAMES.zone}
            <select className="field font-normal" name="zone" defaultValue={term.zone}>
              {page.zones.map((z) => (
                <option key={z}>{z}</option>
              ))}
            </select>
          </label>
        </div>
        <fieldset className="plate px-4 py-3">
          <legend className="sr-only">What each of them asks</legend>
          <p aria-hidden className="text-[15px] font-semibold">
            What each of them asks
          </p>
          <div className="mt-1 grid grid-cols-2 gap-3 lg:grid-cols-4">
            {page.rules.map(({ field, value }) => (
              <label key={field} className={label}>
                {field.startsWith('replies.words')
                  ? 'Words of each reply, at least'
                  : field === 'response.words.min'
                    ? 'Words of the response, at least'
                    : FIELD_NAMES[field]}
                <input
                  className="field font-normal"
                  name={`rule-${field}`}
                  defaultValue={value}
                  inputMode="numeric"
                  maxLength={5}
                />
              </label>
            ))}
          </div>
          {term.rulesSaid.length || term.asked.length ? (
            <p className="mt-2 text-[12.5px] text-ink-2">
              {term.rulesSaid.length ? (
                <>
                  Read from{' '}
                  <span className="font-serif">{term.rulesSaid.map((q) => `“${q}”`).join(', ')}</span>.{' '}
                </>
              ) : null}
              {term.asked.length ? (
                <>
                  Not sure what is meant by{' '}
                  <span className="font-serif">{term.asked.map((a) => `“${a.quote}”`).join(', ')}</span>: fill
                  it in yourself.
                </>
              ) : null}
            </p>
          ) : null}
        </fieldset>
        <ol className="plate" aria-label="Discussions">
          {term.rows.map((_, i) => (
            <Row key={i} page={page} i={i} />
          ))}
        </ol>
        <div className="-mx-4 flex flex-wrap items-center gap-2 border-t border-rule bg-desk px-4 py-3 sm:-mx-7 sm:px-7 md:sticky md:bottom-0">
          <button name="act" value="make" className="btn go">
            {count('moved') && !count('new') ? 'Move them' : 'Make them discussions of mine'}
          </button>
          <button name="act" value="keep" className="btn">
            Keep and look again
          </button>
          {page.calendar ? null : (
            <Link className="link inline-flex min-h-6 items-center text-[13px]" href={outsideAt(id)}>
              It is one prompt, and no plan
            </Link>
          )}
          <button formAction={putAwayAt(id)} formNoValidate className="btn ml-auto">
            Put it away
          </button>
        </div>
      </form>
      <details className="plate mt-4 px-5 py-3">
        <summary className="min-h-6 font-semibold">The words of the plan, as they came</summary>
        <pre
          className="mt-2 max-h-[50dvh] overflow-auto font-serif text-[14px] whitespace-pre-wrap"
          tabIndex={0}
        >
          {page.whole.slice(0, 60_000)}
        </pre>
      </details>
    </main>
  );
}
