'use client';

import { AskAboutThis } from '../questions/ask-about';
import { checkFigure, checkName, checkSentence } from '../words/checks';
import type { LiveChecks } from './live-checks';
import type { Selected } from './selected';
import { useFigures } from './use-checks';
import { useWriting } from './writing-context';

type Figures = {
  own: number;
  quoted: number;
  headings: number;
  references: number;
  notes: number;
  repeated: number;
  copied: number;
};

function apart(f: Figures): string {
  const parts = [
    ...(f.headings ? [`${f.headings} in headings`] : []),
    ...(f.quoted ? [`${f.quoted} quoted`] : []),
    ...(f.references ? [`${f.references} in the reference list`] : []),
    ...(f.notes ? [`${f.notes} in notes`] : []),
    ...(f.repeated ? [`${f.repeated} said again`] : []),
    ...(f.copied ? [`${f.copied} that stand word for word in the prompt or another’s post`] : []),
  ];
  return parts.length ? ` Shown apart and not counted: ${parts.join(', ')}.` : '';
}

/**
 * The live checks at the foot of the page. Each says have and need; pressed, it marks its evidence in the text or says
 * what is missing. On a phone the row folds into one line that scrolls.
 */
export function CheckFooting(props: {
  live: LiveChecks;
  selected: Selected | null;
  select: (id: Selected) => void;
  /** Where one asks about a check; null where there is nobody to ask. */
  ask: { course: string; slug: string } | null;
}) {
  const { pointed, point } = useWriting();
  const { checks, figures } = useFigures(props.live);
  const shown = checks.find((c) => c.id === props.selected);
  const met = checks.filter((c) => c.met).length;
  return (
    <div>
      {shown ? (
        <p role="status" className="mb-2 rounded-control bg-page px-3 py-2 text-[13px] text-ink">
          <b>
            {checkName(shown.id)} {checkFigure(shown)}.
          </b>{' '}
          {checkSentence(shown)}
          {shown.id === 'words' ? apart(figures) : ''}
          {props.ask ? (
            <AskAboutThis
              course={props.ask.course}
              about={{
                of: 'check',
                place: props.ask.slug,
                at: shown.id,
                called: `the check “${checkName(shown.id)}”`,
              }}
            >
              Ask about this check
            </AskAboutThis>
          ) : null}
        </p>
      ) : null}
      <ul
        className="relative flex gap-2 max-sm:-mx-4 max-sm:overflow-x-auto max-sm:px-4 max-sm:pb-1 sm:flex-wrap"
        aria-label={`Checks, ${met} of ${checks.length} met`}
      >
        {checks.map((c) => (
          <li key={c.id} className="shrink-0">
            <button
              type="button"
              aria-pressed={props.selected === c.id}
              onClick={() => props.select(c.id)}
              onMouseEnter={() => point(c.id)}
              onMouseLeave={() => point(null)}
              onFocus={() => point(c.id)}
              onBlur={() => point(null)}
              className={`inline-flex min-h-8 items-center gap-1.5 rounded-control border px-2.5 text-[12.5px] font-semibold whitespace-nowrap ${
                props.selected === c.id ? 'border-ink' : 'border-rule'
              } ${pointed === c.id ? 'bg-mark' : 'bg-page'} ${c.met ? 'text-ink' : c.required ? 'text-ochre-ink' : 'text-ink-2'}`}
            >
              <span
                aria-hidden
                className={`grid size-4 place-items-center rounded-[4px] text-[11px] ${
                  c.met
                    ? 'bg-pine text-on-pine'
                    : c.required
                      ? 'border-[1.5px] border-ochre text-ochre-ink'
                      : 'border border-dashed border-ink-3'
                }`}
              >
                {c.met ? '✓' : c.required ? '!' : ''}
              </span>
              {checkName(c.id)} {checkFigure(c)}
              {c.unsure ? ' ?' : ''}
              <span className="sr-only">
                {c.unsure
                  ? ', met, but unsure: a reader will decide'
                  : c.met
                    ? ', met'
                    : c.required
                      ? ', not met'
                      : ', not met, advised only'}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
