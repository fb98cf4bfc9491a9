import { initials } from '../words/plural';

export function Avatar({ name, mine = false }: { name: string; mine?: boolean }) {
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
