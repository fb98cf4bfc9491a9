import type { ReactNode } from 'react';

/** Something to be agreed to, with what it means beneath and what exactly it is about to be opened. */
export function TickWithMore({
  name,
  checked,
  onChange,
  label,
  meaning,
  more,
  children,
}: {
  name?: string;
  checked: boolean;
  onChange: (checked: boolean) => void;
  label: ReactNode;
  meaning: string;
  /** What the list of items is called while it is closed. */
  more: string;
  /** Its items. */
  children: ReactNode;
}) {
  return (
    <>
      <label className="flex items-start gap-2 text-[13.5px]">
        <input
          type="checkbox"
          name={name}
          className="mt-0.5 size-5 shrink-0 accent-pine"
          checked={checked}
          onChange={(e) => onChange(e.target.checked)}
        />
        <span>
          {label}
          <span className="block text-[12.5px] text-ink-2">{meaning}</span>
        </span>
      </label>
      <details>
        <summary className="w-fit cursor-pointer text-[12.5px] text-ink-2">{more}</summary>
        <ul className="mt-1 list-disc pl-5 text-[12.5px]">{children}</ul>
      </details>
    </>
  );
}
