import Link from 'next/link';
import { addressOf, type Look } from './address';

/** The ways to the other pages of what is too long for one. */
export function Pager(props: {
  look: Look;
  /** In threads: the response whose thread is read in pages. */
  post: number | null;
  page: { page: number; pages: number };
  name: string;
}) {
  const { page, pages } = props.page;
  if (pages === 1) return null;
  const link = (to: number, text: string) =>
    to < 1 || to > pages ? (
      <span aria-hidden />
    ) : (
      <Link className="link text-[13px]" href={addressOf(props.look, { post: props.post, page: to })}>
        {text}
      </Link>
    );
  return (
    <nav
      aria-label={props.name}
      className="flex items-center justify-between gap-3 border-y border-rule-soft bg-page-2 px-4 py-2 text-[13px] text-ink-2"
    >
      {link(page - 1, '← Page before')}
      <span>
        Page {page} of {pages}
      </span>
      {link(page + 1, 'Next page →')}
    </nav>
  );
}
