import Link from 'next/link';

export type RoomLink = { id: string; name: string; href: string };

/** The rooms of a place, side by side, with the one that is open set off. */
export function Rooms(props: {
  label: string;
  rooms: readonly RoomLink[];
  here: string;
  /** Where the line they stand on begins, and not where it ends. */
  first?: boolean;
}) {
  return (
    <nav
      aria-label={props.label}
      className={`w-full min-w-0 lg:w-auto ${props.first ? 'lg:mr-auto' : 'lg:ml-auto'}`}
    >
      <ul className="flex overflow-x-auto rounded-[8px] border border-rule bg-page-2">
        {props.rooms.map((room, i) => (
          <li key={room.id} className={`grow ${i > 0 ? 'border-l border-rule' : ''}`}>
            <Link
              href={room.href}
              aria-current={props.here === room.id ? 'page' : undefined}
              className={`block px-2.5 py-2 text-center sm:px-3.5 text-[13px] font-semibold whitespace-nowrap outline-offset-[-3px] ${
                props.here === room.id
                  ? 'bg-page text-pine-ink shadow-[inset_0_-3px_var(--pine)]'
                  : 'text-ink-2 hover:text-ink'
              }`}
            >
              {room.name}
            </Link>
          </li>
        ))}
      </ul>
    </nav>
  );
}
