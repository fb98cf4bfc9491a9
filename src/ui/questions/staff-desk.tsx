import { questionActAt } from '@/contract/addresses';
import type { OpenQuestion, QuestionsPage } from '@/contract/questions';
import { QuietForm } from '../notes/note-form';
import { plural } from '../words/plural';
import { ActButton } from './act-button';

/** What asks much the same and waits: answered once, with this one. */
function Alike({ page, open }: { page: QuestionsPage; open: OpenQuestion }) {
  const { line, alike } = open;
  return (
    <QuietForm
      action={questionActAt(page.course.slug, line.number)}
      className="grid gap-1 rounded-control bg-pine-tint px-3 py-2 text-ink"
      label="Answer them with this one"
    >
      <p>
        <b>{plural(alike.length, 'question that waits asks', 'questions that wait ask')} much the same.</b>{' '}
        Put together with this one, whoever asked them is told, and hears of its answer.
      </p>
      {alike.map((a) => (
        <label key={a.number} className="flex min-h-7 items-center gap-2">
          <input type="checkbox" className="size-4 accent-pine" name="from" value={a.number} />
          <span>
            {a.number}. “{a.title}” <span className="text-ink-2">{a.author}</span>
          </span>
        </label>
      ))}
      <p>
        <button className="btn !min-h-8" name="act" value="merge-here">
          Answer them with this one
        </button>
      </p>
    </QuietForm>
  );
}

/** What staff alone do with an open question, beside answering it. */
export function StaffDesk({ page, open }: { page: QuestionsPage; open: OpenQuestion }) {
  const { line } = open;
  const { course } = page;
  const place = { course: course.slug, number: line.number };
  const asks = line.kind === 'asks' && line.mergedInto === null;
  return (
    <>
      {open.alike.length ? <Alike page={page} open={open} /> : null}
      <details>
        <summary className="link min-h-6 w-fit">
          Label it{asks ? ', put it together, let more read it' : ''}
        </summary>
        <div className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1.5">
          <QuietForm
            action={questionActAt(course.slug, line.number)}
            className="flex items-center gap-1.5"
            label="Label"
          >
            <input
              className="field !min-h-8 w-32"
              name="label"
              maxLength={40}
              defaultValue={line.label}
              placeholder="Label"
              aria-label="Label"
              list="question-labels"
            />
            <datalist id="question-labels">
              {page.labels.map((l) => (
                <option key={l} value={l} />
              ))}
            </datalist>
            <button className="btn !min-h-8" name="act" value="label">
              Set
            </button>
          </QuietForm>
          {asks ? (
            <QuietForm
              action={questionActAt(course.slug, line.number)}
              className="flex items-center gap-1.5"
              label="Put together"
            >
              <label className="flex items-center gap-1.5">
                The same as number
                <input
                  className="field !min-h-8 w-16"
                  name="into"
                  inputMode="numeric"
                  pattern="[0-9]{1,6}"
                  required
                />
              </label>
              <button className="btn !min-h-8" name="act" value="merge">
                Put together
              </button>
            </QuietForm>
          ) : null}
          {asks && line.audience === 'staff' && !line.openWanted ? (
            <ActButton {...place} act="want-open" told="Its asker is told, and says.">
              Ask its asker whether everybody may read it
            </ActButton>
          ) : null}
        </div>
      </details>
    </>
  );
}
