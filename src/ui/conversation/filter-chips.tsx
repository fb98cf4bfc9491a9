import { readsAt } from '@/contract/addresses';
import Link from 'next/link';
import type { ThreadFilter } from '@/core/posts/filters';
import { FILTER_NAMES } from '../words/conversation-bar';
import { addressOf, type Look } from './address';

type Counts = Readonly<Record<ThreadFilter, number>>;

/** Always offered; the others where they would show something, or are what is shown. */
const ALWAYS: readonly ThreadFilter[] = ['unread', 'yours', 'no-replies', 'all'];

const isOffered = (id: ThreadFilter, look: Look, counts: Counts) =>
  id === look.filter || ALWAYS.includes(id) || counts[id] > 0;

const SHAPE =
  'inline-flex min-h-7 items-center rounded-[6px] px-2 text-[12px] font-semibold max-lg:min-h-11 max-lg:px-3';

/** What a conversation is narrowed to. */
export function FilterChips(props: {
  look: Look;
  counts: Counts;
  /** On a phone they wait behind one press. */
  className?: string;
  /** Whose posts are shown, of the filter by a person. */
  person: { id: string; name: string } | null;
  open: number | null;
  /** When everything was marked as read just now, which can be undone. */
  marked?: number | null;
}) {
  const { look, counts, person, open } = props;
  const chip = (id: ThreadFilter, label: string) => (
    <li key={id}>
      <Link
        href={addressOf({ ...look, filter: id }, { post: look.as === 'threads' ? open : null })}
        aria-current={look.filter === id ? 'true' : undefined}
        className={`${SHAPE} border ${look.filter === id ? 'border-ink bg-ink text-page' : 'border-rule bg-page'}`}
      >
        {label}
        {id === 'worth' ? '' : ` ${counts[id]}`}
      </Link>
    </li>
  );
  return (
    <ul
      className={`flex flex-wrap gap-1.5 border-b border-rule bg-page-2 px-3 py-2.5 ${props.className ?? ''}`}
    >
      {look.filter === 'found' ? chip('found', `“${look.words}”`) : null}
      {look.filter === 'person' && person ? chip('person', `By ${person.name}`) : null}
      {FILTER_NAMES.filter(([id]) => isOffered(id, look, counts)).map(([id, label]) => chip(id, label))}
      {props.marked ? (
        <li>
          <form action={readsAt(look.slug)} method="post" role="status">
            <input type="hidden" name="to" value={addressOf(look, { post: open })} />
            <input type="hidden" name="undo" value={props.marked} />
            <button type="submit" className={`${SHAPE} text-sky underline underline-offset-2`}>
              All marked read. Undo
            </button>
          </form>
        </li>
      ) : null}
      {counts.unread > 0 ? (
        <li>
          <form action={readsAt(look.slug)} method="post">
            <input type="hidden" name="to" value={addressOf(look, { post: open })} />
            <button type="submit" className={`${SHAPE} text-sky underline underline-offset-2`}>
              Mark all read
            </button>
          </form>
        </li>
      ) : null}
    </ul>
  );
}
