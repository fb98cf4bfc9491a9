import { deskHandedAt } from '@/contract/addresses';
import { instant } from '@/core/ids';
import { wallClockAt } from '@/core/deadlines/wallclock';
import type { DeskPage, Handed } from '@/contract/desk';
import { DocumentView } from '../document/document-view';
import { WhenField } from '../frame/when-field';
import { TextField } from '../people/fields';
import { plural } from '../words/plural';
import { moment } from '../words/time';
import { Part } from './part';

function OneHanded({ page, handed, zone }: { page: DeskPage; handed: Handed; zone: string }) {
  const { course, discussion } = page;
  const latest = handed.versions[0]?.at ?? handed.keptAt ?? handed.handedAt;
  return (
    <li className="grid gap-2 rounded-control border border-rule bg-page px-3 py-2.5">
      <p>
        <b>{handed.name}</b>: “{handed.said}”
      </p>
      <p className="text-[12.5px] text-ink-2">
        {handed.kind === 'response' ? 'A response' : `A reply to ${handed.to ?? 'a post'}`}, handed over{' '}
        {moment(handed.handedAt, zone)}
        {handed.keptAt === null ? '' : `; kept last ${moment(handed.keptAt, zone)}`}.
      </p>
      <details>
        <summary className="link min-h-6 w-fit cursor-pointer text-[13.5px]">Read it</summary>
        <div className="mt-1 max-h-80 overflow-auto rounded-control bg-page-2 px-3 py-2" tabIndex={0}>
          {handed.title ? <p className="mb-1 font-serif text-[17px] font-semibold">{handed.title}</p> : null}
          <DocumentView doc={handed.doc} className="!text-[15px]" />
        </div>
        {handed.versions.length ? (
          <>
            <p className="mt-2 text-[13px] font-semibold">Kept while it was written</p>
            <ul className="max-h-40 overflow-auto text-[13px] text-ink-2" tabIndex={0} aria-label="Versions">
              {handed.versions.map((v) => (
                <li key={v.at}>
                  {moment(v.at, zone)}: {plural(v.words, 'word')}
                </li>
              ))}
            </ul>
          </>
        ) : null}
      </details>
      <form
        action={deskHandedAt(course.slug, discussion.slug)}
        method="post"
        className="grid gap-2"
        aria-label={`Answer ${handed.name}`}
      >
        <input type="hidden" name="handed" value={handed.id} />
        <label className="grid gap-1 font-semibold">
          Let it count as of, by the course’s clock
          <WhenField
            className="field font-normal"
            name="asOf"
            wall={wallClockAt(instant(latest), course.zone)}
          />
        </label>
        <TextField
          label="Why"
          name="reason"
          maxLength={600}
          required
          hint="The student reads it; it is logged."
        />
        <div className="flex flex-wrap gap-2">
          <button type="submit" name="act" value="let-count" className="btn go">
            Let it count
          </button>
          <button type="submit" name="act" value="give-back" className="btn">
            Give it back
          </button>
        </div>
      </form>
    </li>
  );
}

/** Drafts that students in trouble handed over, to be let count or given back. */
export function HandedToYou({ page, zone }: { page: DeskPage; zone: string }) {
  if (page.handed.length === 0) return null;
  return (
    <Part id="handed" title={`${plural(page.handed.length, 'draft')} handed to you`}>
      <ul className="grid gap-3">
        {page.handed.map((h) => (
          <OneHanded key={h.id} page={page} handed={h} zone={zone} />
        ))}
      </ul>
    </Part>
  );
}
