import { deskCartridgeFileAt, deskCartridgeInAt, termCalendarAt } from '@/contract/addresses';
import type { CartridgeReport } from '@/contract/desk';
import { plural } from '../words/plural';

const REFUSED: Record<string, string> = {
  'no-cartridge':
    'This file is no Common Cartridge: there is no manifest in it that can be read. Nothing was taken.',
  'not-read':
    'This file could not be read in the time there is, or is larger than 50 MB. Nothing was taken; what you have stays.',
  'no-file': 'Choose a file first. Nothing was taken.',
};

function Report({ report }: { report: CartridgeReport }) {
  const { weeks, prompts, readings, files, left, attributes } = report;
  return (
    <div role="status" className="grid gap-2 rounded-control bg-pine-tint px-4 py-3">
      <p className="font-semibold">
        Taken: {plural(weeks, 'week')}, {plural(readings, 'reading')}, {plural(files, 'file')}, and{' '}
        {plural(prompts, 'prompt')} that wait on the desk for you to confirm what they ask.
      </p>
      {left.length ? (
        <div>
          <p>{plural(left.length, 'thing has', 'things have')} no place here and stayed behind:</p>
          <ul
            className="max-h-40 list-disc overflow-auto pl-5 text-[13.5px]"
            tabIndex={0}
            aria-label="Left behind"
          >
            {left.map((name, i) => (
              <li key={i}>{name}</li>
            ))}
          </ul>
        </div>
      ) : null}
      {attributes.length ? <p className="text-[13.5px]">Not looked at: {attributes.join(', ')}.</p> : null}
    </div>
  );
}

/** The way of a course out to other systems, and in from them. */
export function DeskCartridge(props: {
  course: string;
  report: CartridgeReport | null;
  refused: string | null;
}) {
  const { course, report, refused } = props;
  return (
    <div className="grid gap-4">
      {report ? <Report report={report} /> : null}
      {refused ? (
        <p role="alert" className="rounded-control bg-brick-tint px-3 py-2 font-medium">
          {REFUSED[refused] ?? 'That did not work, and nothing was taken. Try again in a moment.'}
        </p>
      ) : null}
      <div className="plate grid overflow-hidden lg:grid-cols-2">
        <section aria-labelledby="out" className="grid content-start gap-3 px-5 py-4">
          <h2 id="out" className="text-[18px]">
            Take the course out
          </h2>
          <p>
            As a Common Cartridge 1.3, the open form in which courses travel: every week with its readings,
            its prompts as discussion topics with their questions, and its files.
          </p>
          <p className="text-[13.5px] text-ink-2">
            It has no place for deadlines, rubrics, groups, and rules such as how many words: those stay here.
            Nothing of anybody in the class is in it.
          </p>
          <p className="flex flex-wrap gap-2">
            <a className="btn go" href={deskCartridgeFileAt(course)} download>
              Save the cartridge
            </a>
            <a className="btn" href={termCalendarAt(course)} download>
              The term’s deadlines as .ics
            </a>
          </p>
        </section>
        <section
          aria-labelledby="in"
          className="grid content-start gap-3 border-rule-soft bg-page-2 px-5 py-4 max-lg:border-t lg:border-l"
        >
          <h2 id="in" className="text-[18px]">
            Take a cartridge in
          </h2>
          <p>
            Its sections become weeks after those that are here, its pages readings, its topics prompts that
            wait on the desk. Students see no prompt before you show it.
          </p>
          <form
            action={deskCartridgeInAt(course)}
            method="post"
            encType="multipart/form-data"
            className="grid gap-3"
          >
            <label className="grid gap-1 font-semibold">
              File (.imscc or .zip, or a discussion’s .json)
              <input
                className="field font-normal"
                type="file"
                name="file"
                accept=".imscc,.zip,.json,application/zip,application/json"
                required
              />
            </label>
            <button type="submit" className="btn go justify-self-start">
              Take it in
            </button>
          </form>
        </section>
      </div>
    </div>
  );
}
