import Link from 'next/link';

const VIEWS = [
  ['month', 'Month', '/calendar'],
  ['agenda', 'Agenda', '/calendar?view=agenda'],
  ['plan', 'Plan', '/calendar/plan'],
  ['elsewhere', 'Other calendars', '/calendar/elsewhere'],
] as const;
export type CalendarRoom = (typeof VIEWS)[number][0];

/** The calendar's rooms. */
export function CalendarHead({ room, title }: { room: CalendarRoom; title: string }) {
  return (
    <div className="flex flex-wrap items-center gap-x-6 gap-y-3">
      <h1 className="text-[25px]">{title}</h1>
      <nav aria-label="Calendar" className="w-full lg:ml-auto lg:w-auto">
        <ul className="flex overflow-x-auto rounded-[8px] border border-rule bg-page-2">
          {VIEWS.map(([id, name, href], i) => (
            <li key={id} className={`grow ${i > 0 ? 'border-l border-rule' : ''}`}>
              <Link
                href={href}
                aria-current={room === id ? 'page' : undefined}
                className={`block px-3 py-2 text-center text-[13px] font-semibold whitespace-nowrap outline-offset-[-3px] ${
                  room === id
                    ? 'bg-page text-pine-ink shadow-[inset_0_-3px_var(--pine)]'
                    : 'text-ink-2 hover:text-ink'
                }`}
              >
                {name}
              </Link>
            </li>
          ))}
        </ul>
      </nav>
    </div>
  );
}
