import { initials } from '../words/plural';

/** A face: the picture somebody gave themselves, or the letters their name begins with. */
export function Avatar({
  name,
  mine = false,
  picture = null,
}: {
  name: string;
  mine?: boolean;
  /** Where the picture is seen. */
  picture?: string | null;
}) {
  if (picture)
    return (
      // Drawn here, in the one size it is shown in.
      // eslint-disable-next-line @next/next/no-img-element
      <img
        src={picture}
        alt=""
        width={32}
        height={32}
        loading="lazy"
        className="size-8 shrink-0 rounded-full object-cover"
      />
    );
  return (
    <span
      aria-hidden
      className={`grid size-8 shrink-0 place-items-center rounded-full text-[12px] font-bold ${
        mine ? 'bg-[#e9c873] text-[#473103]' : 'bg-sky-tint text-sky'
      }`}
    >
      {initials(name)}
    </span>
  );
}
