'use client';

import { DropdownMenu, Toolbar } from 'radix-ui';
import { ChevronDown } from 'lucide-react';
import type { ReactNode } from 'react';
import { moveAtOnce } from '../../frame/move-at-once';

const LOOK =
  'grid h-8 min-w-[30px] place-items-center rounded-[5px] px-1 max-lg:h-11 max-lg:min-w-11 disabled:opacity-40 aria-disabled:opacity-40';
const tone = (on: boolean | undefined) => (on ? 'bg-pine-tint text-pine-ink' : 'text-ink-2 hover:bg-page-2');

/** One tool of the bar: its name is said and shown as a hint, its keys after it. */
export function Tool(props: {
  label: string;
  keys?: string;
  on?: boolean;
  disabled?: boolean;
  expanded?: boolean;
  run: () => void;
  children: ReactNode;
}) {
  return (
    <Toolbar.Button
      type="button"
      aria-label={props.label}
      title={props.keys ? `${props.label} (${props.keys})` : props.label}
      aria-pressed={props.on}
      aria-expanded={props.expanded}
      disabled={props.disabled}
      // The selection in the text stays where it is.
      onMouseDown={(e) => e.preventDefault()}
      onClick={props.run}
      className={`${LOOK} ${tone(props.on ?? props.expanded)}`}
    >
      {props.children}
    </Toolbar.Button>
  );
}

export type Choice = { label: string; on?: boolean; disabled?: boolean; run: () => void; sign?: ReactNode };

/** A tool with several answers. What is chosen now is said with the tool's name. */
export function ToolMenu(props: { label: string; sign: ReactNode; on?: boolean; choices: Choice[] }) {
  const now = props.choices.find((c) => c.on)?.label;
  return (
    <DropdownMenu.Root modal={false}>
      <Toolbar.Button asChild>
        <DropdownMenu.Trigger
          type="button"
          aria-label={now ? `${props.label}: ${now}` : props.label}
          title={props.label}
          className={`flex h-8 items-center justify-center gap-0.5 rounded-[5px] px-1.5 max-lg:h-11 max-lg:min-w-11 ${tone(props.on)}`}
        >
          {props.sign}
          <ChevronDown size={12} aria-hidden />
        </DropdownMenu.Trigger>
      </Toolbar.Button>
      <DropdownMenu.Content
        onKeyDownCapture={moveAtOnce('down')}
        align="start"
        sideOffset={4}
        collisionPadding={8}
        // The text gets the focus back from the command itself.
        onCloseAutoFocus={(e) => e.preventDefault()}
        className="z-50 max-h-[60vh] min-w-44 overflow-auto rounded-plate border border-rule bg-page p-1.5 text-ink"
      >
        {props.choices.map((c) => (
          <DropdownMenu.Item
            key={c.label}
            disabled={c.disabled}
            onSelect={c.run}
            className="flex min-h-9 items-center gap-2 rounded-[6px] px-2.5 py-1 text-[13.5px] font-medium outline-none data-[disabled]:opacity-45 data-[highlighted]:bg-page-2 data-[highlighted]:ring-2 data-[highlighted]:ring-sky"
          >
            <span className="w-4 text-center" aria-hidden>
              {c.on ? '✓' : ''}
            </span>
            {c.sign}
            {c.label}
            {c.on ? <span className="sr-only">, chosen</span> : null}
          </DropdownMenu.Item>
        ))}
      </DropdownMenu.Content>
    </DropdownMenu.Root>
  );
}
