/** The mark: a reading desk with a page on it. */
export function Brand({ className }: { className?: string }) {
  return (
    <span
      className={`inline-flex items-center gap-2 font-serif text-[20px] font-semibold ${className ?? ''}`}
    >
      <svg width="20" height="22" viewBox="0 0 20 22" aria-hidden>
        <path d="M2 3l16 2v6H2z" fill="#e9c873" />
        <path d="M8 11h4v8H8zM4 20h12v2H4z" fill="currentColor" />
      </svg>
      <span>Pulpit</span>
    </span>
  );
}
