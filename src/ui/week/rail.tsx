import type { RailLabel } from '@/core/week/rail';
import { plural } from '../words/plural';
import { clockTime, moment, weekday } from '../words/time';
import type { ThisWeek } from '@/contract/week';

/** A stretch narrower than this share of the week has room for a word only, and under the second for none. */
const ROOMY = 17;
const TIGHT = 8;
/** On a phone one percent of a lane is so many pixels, and a letter of a label takes so many. */
const PHONE_LANE = 2.85;
const LETTER = 6;

function shownLabel(s: { from: number; to: number; label: RailLabel }, zone: string) {
  const text = labelText(s.label, zone);
  const width = s.to - s.from;
  const fits = (shown: string) => width * PHONE_LANE > shown.length * LETTER;
  if (width > ROOMY || (width > TIGHT && text.length < 13)) {
    return fits(text) ? text : <span className="max-sm:sr-only">{text}</span>;
  }
  const short = s.label.code === 'response-shared' ? 'shared' : '';
  return (
    <>
      <span className="sr-only">{text}</span>
      <span aria-hidden className={fits(short) ? '' : 'max-sm:hidden'}>
        {width > TIGHT - 1 ? short : ''}
      </span>
    </>
  );
}

function labelText(label: RailLabel, zone: string): string {
  switch (label.code) {
    case 'response-owed':
      return 'response';
    case 'response-shared':
      return `response shared ${weekday(label.at, zone)}`;
    case 'response-missed':
      return 'response missed';
    case 'replies-owed':
      return plural(label.n, 'reply', 'replies');
    case 'replies-done':
      return 'replies done';
    case 'replies-missed':
      return `${plural(label.n, 'reply', 'replies')} missed`;
  }
}

const dayFormat = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', timeZone: 'UTC' });

const dayName = (date: string) => {
  const d = new Date(`${date}T12:00:00Z`);
  return dayFormat.format(d);
};

/** The week as a strip of seven days: a lane for each course, its stretches and deadline stops, and the line of now. */
export function Rail({ rail, now, zone }: { rail: ThisWeek['rail']; now: number; zone: string }) {
  if (rail.lanes.length === 0) return null;
  const weeks = [...new Set(rail.lanes.map((l) => l.week))];
  const latest = Math.max(...weeks);
  return (
    <figure className="plate mt-4 overflow-hidden" aria-label="The week, a lane for each course">
      <div className="min-w-0">
        <div
          aria-hidden
          className="grid grid-cols-[64px_repeat(7,minmax(0,1fr))] border-b border-rule text-[12px] text-ink-2 sm:grid-cols-[132px_repeat(7,minmax(0,1fr))]"
        >
          <b className="px-2.5 py-[7px] text-ink max-sm:px-1.5 max-sm:text-[11px]">Week {latest}</b>
          {rail.days.map((d, i) => (
            <span
              key={d.date}
              className={`border-l border-rule-soft px-1 py-[7px] max-sm:text-center max-sm:text-[11px] max-sm:leading-tight sm:px-2.5 ${
                i === rail.today ? 'bg-ochre-tint font-bold text-ochre-ink' : ''
              }`}
            >
              {/* Where it is narrow each day breaks, and not only those whose names are long. */}
              <span className="max-sm:mx-auto max-sm:block max-sm:w-min">{dayName(d.date)}</span>
            </span>
          ))}
        </div>
        <div className="relative">
          {rail.lanes.map(({ course, lane }, i) => (
            <div
              key={`${course.code} ${i}`}
              className={`grid h-[46px] grid-cols-[64px_minmax(0,1fr)] sm:grid-cols-[132px_minmax(0,1fr)] ${i > 0 ? 'border-t border-rule-soft' : ''}`}
            >
              <div className="overflow-hidden px-2.5 py-1.5 text-[12.5px] max-sm:px-1.5 max-sm:pt-3.5 max-sm:text-[11.5px] leading-tight font-semibold">
                {course.code}
                <span className="hidden truncate text-[11.5px] font-normal text-ink-3 sm:block">
                  {course.title.split(':')[0]}
                </span>
              </div>
              <div className="relative bg-[repeating-linear-gradient(to_right,var(--rule-soft)_0_1px,transparent_1px_calc(100%/7))]">
                {lane.stretches.map((s) => (
                  <span
                    key={s.kind}
                    className={`absolute top-[15px] h-4 overflow-hidden pl-[7px] text-[11px] leading-4 whitespace-nowrap ${
                      s.kind === 'response' ? 'rounded-l-[8px]' : 'rounded-r-[8px]'
                    } ${
                      s.done
                        ? 'bg-pine text-on-pine'
                        : s.label.code.endsWith('missed')
                          ? 'bg-brick-tint text-ink'
                          : s.kind === 'response'
                            ? 'bg-stretch text-stretch-ink'
                            : 'bg-stretch-2 text-stretch-ink'
                    }`}
                    style={{ left: `${s.from}%`, width: `${s.to - s.from}%` }}
                    title={labelText(s.label, zone)}
                  >
                    {shownLabel(s, zone)}
                  </span>
                ))}
                {lane.stops.map((stop) => (
                  <span
                    key={stop.kind}
                    className="absolute top-[9px] h-7 w-[3px] -translate-x-full bg-ink"
                    style={{ left: `${stop.at}%` }}
                    title={`${stop.kind} due ${moment(stop.instant - 60_000, zone)}`}
                  >
                    <span
                      className={`absolute -top-[3px] text-[10.5px] font-bold whitespace-nowrap ${stop.at < 8 ? 'left-1.5' : 'right-1.5'}`}
                    >
                      <span className="sr-only">{stop.kind} due </span>
                      {clockTime(stop.instant - 60_000, zone)}
                    </span>
                  </span>
                ))}
              </div>
            </div>
          ))}
          <div
            aria-hidden
            className="pointer-events-none absolute inset-y-0 right-0 left-[64px] sm:left-[132px]"
          >
            <span className="absolute inset-y-0 w-0.5 bg-brick" style={{ left: `${rail.nowAt}%` }}>
              <span className="absolute bottom-0 left-1/2 -translate-x-1/2 rounded-[3px] bg-brick px-[5px] text-[10px] text-on-brick">
                now
              </span>
            </span>
          </div>
        </div>
      </div>
      <figcaption className="sr-only">Now it is {moment(now, zone)}.</figcaption>
    </figure>
  );
}
